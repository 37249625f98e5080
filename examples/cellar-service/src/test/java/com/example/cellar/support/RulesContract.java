package com.example.cellar.support;

import java.sql.SQLException;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The rules of a table: each case of the static method {@code rules} is a test. */
public interface RulesContract<R extends Record, I extends Record> extends RowContract<R, I> {
    @ParameterizedTest(name = "{0}")
    @MethodSource("rules")
    @Tag("rules")
    default void ruleIsKept(RuleCase rule) throws SQLException {
        rule.check(this);
    }
}
