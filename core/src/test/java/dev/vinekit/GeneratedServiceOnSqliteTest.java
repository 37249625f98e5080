package dev.vinekit;

class GeneratedServiceOnSqliteTest extends GeneratedServiceTest {
    GeneratedServiceOnSqliteTest() {
        super("sqlite");
    }

    @Override
    String momentOfAnotherOffset() {
        return "2024-03-01T04:45:30.123Z";
    }
}
