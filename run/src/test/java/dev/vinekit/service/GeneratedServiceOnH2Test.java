package dev.vinekit.service;

class GeneratedServiceOnH2Test extends GeneratedServiceTest {
    GeneratedServiceOnH2Test() {
        super("h2");
    }

    @Override
    String momentOfAnotherOffset() {
        return "2024-03-01T10:15:30.123+05:30";
    }
}
