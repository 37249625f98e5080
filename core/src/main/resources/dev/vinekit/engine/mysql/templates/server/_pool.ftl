        config.addDataSourceProperty("connectionTimeZone", "UTC");
        config.addDataSourceProperty("forceConnectionTimeZoneToSession", "true");
        config.setConnectionInitSql("SET max_execution_time = " + settings.statementTime().toMillis()
                + ", innodb_lock_wait_timeout = " + Math.max(1, settings.statementTime().toSeconds())
                + ", sql_mode = 'ONLY_FULL_GROUP_BY,STRICT_TRANS_TABLES,NO_ZERO_IN_DATE,NO_ZERO_DATE,"
                + "ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'");
        config.addDataSourceProperty("cachePrepStmts", "true");
        config.addDataSourceProperty("prepStmtCacheSqlLimit", "2048");
        config.addDataSourceProperty("rewriteBatchedStatements", "true");
        config.addDataSourceProperty("openTelemetry", "DISABLED");
        config.addDataSourceProperty("connectTimeout", String.valueOf(settings.poolWait().toMillis()));
        config.addDataSourceProperty("socketTimeout", String.valueOf(settings.statementTime().toMillis() + 5000));
