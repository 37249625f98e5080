        config.addDataSourceProperty("connectionTimeZone", "UTC");
        config.addDataSourceProperty("forceConnectionTimeZoneToSession", "true");
        config.setConnectionInitSql("SET @statement_seconds = " + settings.statementTime().toSeconds()
                + ", sql_mode = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'"
                + " /*M!, max_statement_time = " + settings.statementTime().toSeconds() + " */"
                + " /*!50708 , max_execution_time = " + settings.statementTime().toMillis() + " */");
        config.addDataSourceProperty("connectTimeout", String.valueOf(settings.poolWait().toMillis()));
        config.addDataSourceProperty("socketTimeout", String.valueOf(settings.statementTime().toMillis() + 5000));
