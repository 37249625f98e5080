        if (settings.pooler()) {
            config.addDataSourceProperty("prepareThreshold", "0");
        } else {
            config.setConnectionInitSql("SET statement_timeout = " + settings.statementTime().toMillis());
        }
        config.addDataSourceProperty("hostRecheckSeconds", "1");
        config.addDataSourceProperty("connectTimeout", String.valueOf(settings.poolWait().toSeconds()));
        config.addDataSourceProperty("socketTimeout", String.valueOf(settings.statementTime().toSeconds() + 5));
        config.addDataSourceProperty("tcpKeepAlive", "true");
