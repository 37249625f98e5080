package dev.vinekit.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.source.SourceFile;
import dev.vinekit.source.SourceTree;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

class GeneratedSourcesTest {
    private static SourceTree presses() throws Exception {
        try (TestDatabases database = TestDatabases.h2("CREATE TABLE press (id INT PRIMARY KEY, bars DECIMAL(4, 1));")) {
            return VineKit.generate(VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.made"));
        }
    }

    private static SourceTree spoiled(SourceTree sources, String name, UnaryOperator<String> change) {
        List<SourceFile> files = sources.files().stream().map(file -> !file.path().endsWith(name) ? file
                : new SourceFile(file.path(), change.apply(file.text()), file.role(), file.table())).toList();
        return new SourceTree(sources.mapping(), files, sources.rules(), sources.unfilled(), sources.libraries(),
                sources.ownTemplates());
    }

    @Test
    void whatCompilesIsAccepted() throws Exception {
        SourceTree sources = presses();

        assertThatCode(() -> Runner.check(sources)).doesNotThrowAnyException();
    }

    @Test
    void tableWhoseCodeDoesNotCompileIsNamed() throws Exception {
        SourceTree sources = spoiled(presses(), "/PressInput.java", text -> text.replace("BigDecimal bars", "Nothing bars"));

        assertThatThrownBy(() -> Runner.check(sources)).isInstanceOf(Fault.class)
                .hasMessageContaining("does not compile").hasMessageContaining("PressInput.java")
                .satisfies(fault -> assertThat(((Fault) fault).fix()).contains("PRESS"));
    }
}
