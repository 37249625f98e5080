package dev.vinekit.service;

class GeneratedServiceOnPostgresqlTest extends GeneratedServiceTest {
    GeneratedServiceOnPostgresqlTest() {
        super("postgresql");
    }

    @Override
    String momentOfAnotherOffset() {
        return "2024-03-01T04:45:30.123Z";
    }
}
