        config.addDataSourceProperty("connectionTimeZone", "UTC");
        config.addDataSourceProperty("forceConnectionTimeZoneToSession", "true");
        config.setConnectionInitSql("SET max_statement_time = " + settings.statementTime().toSeconds()
                + ", sql_mode = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'");
        // Refused by a node of a cluster that is not ready: the driver then tries the next.
        config.addDataSourceProperty("initSql", "SELECT 1");
        config.addDataSourceProperty("connectTimeout", String.valueOf(settings.poolWait().toMillis()));
        config.addDataSourceProperty("socketTimeout", String.valueOf(settings.statementTime().toMillis() + 5000));
