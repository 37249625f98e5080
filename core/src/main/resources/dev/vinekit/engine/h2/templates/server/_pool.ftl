        config.setConnectionInitSql("SET QUERY_TIMEOUT " + settings.statementTime().toMillis());
