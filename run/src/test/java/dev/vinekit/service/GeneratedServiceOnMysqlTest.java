package dev.vinekit.service;

class GeneratedServiceOnMysqlTest extends GeneratedServiceTest {
    GeneratedServiceOnMysqlTest() {
        super("mysql");
    }

    @Override
    String momentOfAnotherOffset() {
        return "2024-03-01T04:45:30.123Z";
    }

    @Override
    String numberInADocument() {
        return "1.1";
    }
}
