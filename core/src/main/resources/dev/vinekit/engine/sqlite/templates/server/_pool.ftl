        config.addDataSourceProperty("foreign_keys", "true");
        config.addDataSourceProperty("transaction_mode", "IMMEDIATE");
        config.addDataSourceProperty("busy_timeout", "10000");
