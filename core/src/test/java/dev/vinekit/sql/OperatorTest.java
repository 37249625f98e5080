package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class OperatorTest {
    @ParameterizedTest
    @CsvSource({
        "EQUAL,     =,  false, true,  false, EQUAL",
        "NOT_EQUAL, <>, true,  false, true,  NOT_EQUAL",
        "LESS,      <,  true,  false, false, GREATER",
        "AT_MOST,   <=, true,  true,  false, AT_LEAST",
        "GREATER,   >,  false, false, true,  LESS",
        "AT_LEAST,  >=, false, true,  true,  AT_MOST"})
    void holdsByOrderAndSaysTheSameWithSidesExchanged(Expression.Operator operator, String sql, boolean less,
            boolean same, boolean greater, Expression.Operator mirrored) {
        assertThat(operator.sql()).isEqualTo(sql);
        assertThat(operator.holds(Integer.compare(1, 2))).isEqualTo(less);
        assertThat(operator.holds(Integer.compare(2, 2))).isEqualTo(same);
        assertThat(operator.holds(Integer.compare(3, 2))).isEqualTo(greater);
        assertThat(operator.mirrored()).isEqualTo(mirrored);
    }
}
