        config.addDataSourceProperty("connectionTimeZone", "UTC");
        config.addDataSourceProperty("forceConnectionTimeZoneToSession", "true");
        config.setConnectionInitSql("SET max_statement_time = " + settings.statementTime().toSeconds()
                + ", sql_mode = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'");
        config.addDataSourceProperty("connectTimeout", String.valueOf(settings.poolWait().toMillis()));
        config.addDataSourceProperty("socketTimeout", String.valueOf(settings.statementTime().toMillis() + 5000));
