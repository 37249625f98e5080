        config.addDataSourceProperty("connectionTimeZone", "UTC");
        config.addDataSourceProperty("forceConnectionTimeZoneToSession", "true");
        config.setConnectionInitSql("SET @statement_seconds = " + settings.statementTime().toSeconds()
                + " /*M!, max_statement_time = " + settings.statementTime().toSeconds() + " */"
                + " /*!50708 , max_execution_time = " + settings.statementTime().toMillis() + " */");
        config.addDataSourceProperty("connectTimeout", String.valueOf(settings.poolWait().toMillis()));
        config.addDataSourceProperty("socketTimeout", String.valueOf(settings.statementTime().toMillis() + 5000));
