package dev.vinekit.schema;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class DefaultValueTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "NULL                                   | NOTHING",
        "null                                   | NOTHING",
        "(NULL)                                 | NOTHING",
        "NULL::character varying                | NOTHING",
        "NULL::timestamp with time zone         | NOTHING",
        "(NULL)::numeric(5,2)                   | NOTHING",
        "'NULL'                                 | CONSTANT",
        "nullif(1, 1)                           | EXPRESSION",
        "5                                      | CONSTANT",
        "-1.5e3                                 | CONSTANT",
        "(5)                                    | CONSTANT",
        "'it''s'                                | CONSTANT",
        "'it''s'::character varying             | CONSTANT",
        "'{}'::integer[]                        | CONSTANT",
        "'a\\'b'                                | CONSTANT",
        "b'101'                                 | CONSTANT",
        "X'00ff'                                | CONSTANT",
        "DATE '2024-01-01'                      | CONSTANT",
        "TRUE                                   | CONSTANT",
        "now()                                  | NOW",
        "CURRENT_TIMESTAMP                      | NOW",
        "current_timestamp(3)                   | NOW",
        "current_timestamp() ON UPDATE current_timestamp() | NOW",
        "LOCALTIMESTAMP                         | NOW",
        "(now())::date                          | NOW",
        "datetime('now')                        | NOW",
        "gen_random_uuid()                      | NEW_UUID",
        "public.uuid_generate_v4()              | NEW_UUID",
        "RANDOM_UUID()                          | NEW_UUID",
        "nextval('ticket'::regclass)            | SEQUENCE",
        "nextval(`sq`)                          | SEQUENCE",
        "NEXT VALUE FOR ^TICKET^                | SEQUENCE",
        "1 + 2                                  | EXPRESSION",
        "concat('a', 'b')                       | EXPRESSION",
        "now() + interval '1 day'               | EXPRESSION",
        "lower(hex(randomblob(4)))              | EXPRESSION"})
    void textTellsWhatItComesTo(String text, DefaultValue.Meaning meaning) {
        assertThat(DefaultValue.of(text).meaning()).isEqualTo(meaning);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "current_timestamp() ON UPDATE current_timestamp()   | true",
        "NULL ON UPDATE current_timestamp(3)                 | true",
        "ON UPDATE CURRENT_TIMESTAMP                         | true",
        "'0000-00-00 00:00:00' on update current_timestamp() | true",
        "current_timestamp()                                 | false",
        "' ON UPDATE '                                       | false",
        "'see ON UPDATE now'                                 | false",
        "concat('a', ' ON UPDATE b')                         | false"})
    void changesOfARowMayTakeTheTimeToo(String text, boolean onUpdate) {
        assertThat(DefaultValue.of(text).isOnUpdate()).isEqualTo(onUpdate);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "'0000-00-00'          | true",
        "'0000-00-00 00:00:00' | true",
        "'2024-00-10'          | true",
        "'2024-10-00'          | true",
        "('0000-00-00')        | true",
        "'2024-10-10'          | false",
        "'00:00:00'            | false",
        "0                     | true",
        "'infinity'::date      | true",
        "'24:00:00'::time without time zone | true",
        "'Infinity'::float8    | false",
        "current_timestamp()   | false"})
    void somethingThatLooksLikeADateMayBeNone(String text, boolean noDate) {
        assertThat(DefaultValue.of(text).isNoDate()).isEqualTo(noDate);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"NULL | false", "NULL ON UPDATE now() | false", "0 | true", "now() | true"})
    void anExplicitNullIsNoValue(String text, boolean value) {
        assertThat(DefaultValue.of(text).isValue()).isEqualTo(value);
    }
}
