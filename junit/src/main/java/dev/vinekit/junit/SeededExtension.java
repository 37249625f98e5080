package dev.vinekit.junit;

import dev.vinekit.fault.Fault;
import java.lang.reflect.Parameter;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import javax.sql.DataSource;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolutionException;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.junit.jupiter.api.extension.TestInstantiationAwareExtension;
import org.junit.platform.commons.support.AnnotationSupport;

/** Fills the parameters of tests with their database. */
final class SeededExtension implements ParameterResolver, TestInstantiationAwareExtension {
    private static final ExtensionContext.Namespace OURS = ExtensionContext.Namespace.create(SeededExtension.class);
    private static final List<Class<?>> TYPES = List.of(DataSource.class, Connection.class, TestDatabase.class);

    @Override
    public ExtensionContextScope getTestInstantiationExtensionContextScope(ExtensionContext root) {
        return ExtensionContextScope.TEST_METHOD;
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext test) {
        return TYPES.contains(parameter.getParameter().getType())
                && (parameter.isAnnotated(Seeded.class) || ofClass(test).isPresent());
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext test) {
        Parameter asked = parameter.getParameter();
        if (test.getTestMethod().isEmpty()) {
            throw new ParameterResolutionException("The parameter " + asked.getName() + " of "
                    + parameter.getDeclaringExecutable().getName() + " would be one database for all tests of the class, and"
                    + " each has one of its own. Take it as a parameter of the tests, or of a method with @BeforeEach.");
        }
        Seeded wanted = parameter.findAnnotation(Seeded.class).filter(SeededExtension::saysWhere)
                .or(() -> ofClass(test)).orElseThrow(() -> new ParameterResolutionException("@Seeded on the parameter " + asked.getName()
                        + " does not say where the tables come from, nor does one on " + test.getRequiredTestClass().getName()
                        + ". Give it a script with its engine, a project, or a url."));
        try {
            return given(asked.getType(), taken(Recipe.of(wanted), test));
        } catch (Fault e) {
            throw new ParameterResolutionException(e.getMessage() + " " + e.fix(), e);
        } catch (SQLException e) {
            throw new ParameterResolutionException(
                    "The database for this test could not be opened: " + e.getMessage(), e);
        }
    }

    private static Taken taken(Recipe recipe, ExtensionContext test) {
        Stock stock = test.getRoot().getStore(OURS).getOrComputeIfAbsent(Stock.class, key -> new Stock(), Stock.class);
        return test.getStore(OURS).getOrComputeIfAbsent(recipe, key -> new Taken(stock, recipe, stock.take(recipe)),
                Taken.class);
    }

    private static Object given(Class<?> type, Taken taken) throws SQLException {
        TestDatabase database = taken.database.handle();
        if (type == Connection.class) {
            return database.connect();
        }
        return type == DataSource.class ? database.dataSource() : database;
    }

    private static boolean saysWhere(Seeded seeded) {
        return !(seeded.script() + seeded.project() + seeded.url()).isEmpty();
    }

    /** The annotation of the class, or of one that it is nested in. */
    private static Optional<Seeded> ofClass(ExtensionContext test) {
        for (Class<?> type = test.getTestClass().orElse(null); type != null; type = type.getEnclosingClass()) {
            Optional<Seeded> seeded = AnnotationSupport.findAnnotation(type, Seeded.class)
                    .filter(SeededExtension::saysWhere);
            if (seeded.isPresent()) {
                return seeded;
            }
        }
        return Optional.empty();
    }

    /** A database while a test has it; it is given back when the test has ended. */
    private static final class Taken implements AutoCloseable {
        private final Stock stock;
        private final Recipe recipe;
        private final MadeDatabase database;

        Taken(Stock stock, Recipe recipe, MadeDatabase database) {
            this.stock = stock;
            this.recipe = recipe;
            this.database = database;
        }

        @Override
        public void close() {
            stock.giveBack(recipe, database);
        }
    }
}
