package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class CommonPrefixTest {
    @ParameterizedTest
    @CsvSource({
        "wc_vessel wc_parcel wc_lot, wc_",
        "wc_vessel WC_parcel wc_lot, wc_",
        "wc_vessel wc_parcel, ''",
        "wc_vessel wc_parcel lot, ''",
        "vessel parcel lot, ''",
        "wc_a_vessel wc_a_parcel wc_b_lot, wc_",
        "_vessel _parcel _lot, ''",
        "wc_ wc_parcel wc_lot, ''"})
    void aPrefixIsWhatAllTablesBeginWith(String tables, String prefix) throws SQLException {
        String script = Arrays.stream(tables.split(" "))
                .map(table -> "CREATE TABLE \"" + table + "\" (id INT PRIMARY KEY);\n")
                .collect(Collectors.joining());
        try (TestDatabases database = TestDatabases.on("h2", script)) {
            assertThat(CommonPrefix.of(VineKit.read(database.database(), Scope.all())).orElse("")).isEqualTo(prefix);
        }
    }
}
