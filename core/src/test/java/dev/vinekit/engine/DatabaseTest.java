package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DatabaseTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "jdbc:h2:mem:a;INIT=RUNSCRIPT FROM 'a.sql'                          | INIT",
        "jdbc:h2:mem:a;MODE=MySQL;init=SELECT 1                             | init",
        "jdbc:h2:mem:initial;MODE=MySQL                                     | ^^",
        "jdbc:postgresql://h/a?socketFactory=x.Y&socketFactoryArg=z         | socketFactory, socketFactoryArg",
        "jdbc:postgresql://h/a?ApplicationName=INIT                         | ^^",
        "jdbc:mariadb://h/a?user=b&sessionVariables=sql_mode=''&initSql=x   | sessionVariables, initSql",
        "jdbc:sqlite:a.db?enable_load_extension=true                        | enable_load_extension",
        "jdbc:sqlite:a.db                                                   | ^^"})
    void aUrlTellsWhatItRunsWithOnesRights(String url, String properties) {
        assertThat(String.join(", ", Database.at(url, "", "").runsOnConnect())).isEqualTo(properties);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "jdbc:postgresql://h/a?user=b&password=secret      | jdbc:postgresql://h/a?user=b&password=...",
        "jdbc:postgresql://h/a?password=secret&ssl=true    | jdbc:postgresql://h/a?password=...&ssl=true",
        "jdbc:h2:mem:a;PASSWORD=secret;MODE=MySQL          | jdbc:h2:mem:a;PASSWORD=...;MODE=MySQL",
        "jdbc:mariadb://h/a?pwd=secret                     | jdbc:mariadb://h/a?pwd=...",
        "jdbc:sqlite:a.db                                  | jdbc:sqlite:a.db"})
    void noPasswordIsTold(String url, String told) {
        assertThat(Database.at(url, "", "").urlWithout("...")).isEqualTo(told);
        assertThat(Database.at(url, "", "")).asString().doesNotContain("secret");
    }
}
