package dev.vinekit.service;

class GeneratedServiceOnMariadbTest extends GeneratedServiceTest {
    GeneratedServiceOnMariadbTest() {
        super("mariadb");
    }

    @Override
    String momentOfAnotherOffset() {
        return "2024-03-01T04:45:30.123Z";
    }
}
