package dev.vinekit.source;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreeScanner;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import java.io.IOException;
import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;

class TemplateHeadsTest {
    /** A column that is called like one of them would be hidden by it, or hide it, in the same method. */
    @Test
    void everyNameThatMethodsUseBesideThoseOfFieldsIsDeclared() throws Exception {
        try (Cellar cellar = TestDatabases.cellar("h2")) {
            SourceTree sources = VineKit.generate(
                    VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar"));
            Set<String> declared = new Templates(Sources.class, Optional.empty()).locals(List.of("table", "test"));

            Set<String> ofTables = ofTables(sources.mapping());

            Set<String> used = names(sources.files().stream()
                    .filter(file -> file.path().matches("src/main/.*/(controller|service|repository)/.*")).toList(),
                    ofTables);

            used.removeAll(ofTables);
            assertThat(used).isNotEmpty().isSubsetOf(declared);
        }
    }

    /** Names of fields, and of variables that hold a row or a service. */
    private static Set<String> ofTables(Mapping mapping) {
        return Stream.concat(
                mapping.entities().stream().map(Entity::variable).flatMap(name -> Stream.of(
                        name.value(), name.value() + "Service")),
                mapping.entities().stream().flatMap(entity -> entity.fields().stream()).map(Field::name)
                        .map(name -> name.value())).collect(Collectors.toSet());
    }

    /** The names of variables in methods with a parameter of one of these. */
    private static Set<String> names(List<SourceFile> files, Set<String> ofTables) throws IOException {
        Set<String> names = new TreeSet<>();
        JavacTask task = (JavacTask) ToolProvider.getSystemJavaCompiler().getTask(
                null, null, null, null, null, files.stream().map(Source::new).toList());
        TreeScanner<Void, Void> variables = new TreeScanner<>() {
            @Override
            public Void visitVariable(VariableTree variable, Void none) {
                names.add(variable.getName().toString());
                return super.visitVariable(variable, null);
            }
        };
        TreeScanner<Void, Void> methods = new TreeScanner<>() {
            @Override
            public Void visitMethod(MethodTree method, Void none) {
                boolean isOfField = method.getParameters().stream()
                        .anyMatch(parameter -> ofTables.contains(parameter.getName().toString()));
                return isOfField ? variables.visitMethod(method, null) : null;
            }
        };
        task.parse().forEach(file -> methods.scan(file, null));
        return names;
    }

    private static final class Source extends SimpleJavaFileObject {
        private final String text;

        Source(SourceFile file) {
            super(URI.create("string:///" + file.path()), JavaFileObject.Kind.SOURCE);
            this.text = file.text();
        }

        @Override
        public CharSequence getCharContent(boolean ignoreEncodingErrors) {
            return text;
        }
    }
}
