package dev.vinekit.service;

class GeneratedServiceOnSqliteTest extends GeneratedServiceTest {
    GeneratedServiceOnSqliteTest() {
        super("sqlite");
    }

    @Override
    String momentOfAnotherOffset() {
        return "2024-03-01T04:45:30.123Z";
    }

    @Override
    boolean tellsWhichReferenceIsBroken() {
        return false;
    }

    /** Every whole number has 64 bits, so that more of them are of the right type. */
    @Override
    String ruleHere(String body, String rule) {
        return body.contains("99999999999") ? "Max" : rule;
    }
}
