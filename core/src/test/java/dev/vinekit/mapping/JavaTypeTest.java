package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.OffsetTime;
import java.util.EnumSet;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

@Tag("fast")
class JavaTypeTest {
    private static final Set<JavaType.Nature> NEVER_TELLING = EnumSet.of(JavaType.Nature.TRUTH, JavaType.Nature.CHOICE,
            JavaType.Nature.DOCUMENT, JavaType.Nature.LIST);

    @ParameterizedTest
    @EnumSource
    void rowsAreToldApartByEveryTypeThatCan(JavaType type) {
        assertThat(JavaType.telling().contains(type)).isNotEqualTo(NEVER_TELLING.contains(type.nature()));
    }

    @Test
    void examplesAreOfTheirType() {
        assertThat(LocalDate.parse(JavaType.DATE.example())).isAfter(LocalDate.parse(JavaType.DATE.unlikely()));
        assertThat(LocalTime.parse(JavaType.TIME.example())).isNotNull();
        assertThat(OffsetTime.parse(JavaType.OFFSET_TIME.example())).isNotNull();
        assertThat(LocalDateTime.parse(JavaType.DATE_TIME.example()))
                .isAfter(LocalDateTime.parse(JavaType.DATE_TIME.unlikely()));
        assertThat(OffsetDateTime.parse(JavaType.OFFSET_DATE_TIME.example()))
                .isAfter(OffsetDateTime.parse(JavaType.OFFSET_DATE_TIME.unlikely()));
        assertThat(UUID.fromString(JavaType.UUID.example())).hasToString(JavaType.UUID.example());
    }

    @ParameterizedTest
    @EnumSource
    void numbersCanBeCompared(JavaType type) {
        assertThat(type.isNumber()).isEqualTo(type.jsonType().matches("integer|number"));
        assertThat(type.isComparable() && !type.isOrdered()).isFalse();
        assertThat(type.isExactNumber() && type.isFinerThanTheDatabase()).isFalse();
    }
}
