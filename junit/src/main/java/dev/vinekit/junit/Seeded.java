package dev.vinekit.junit;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Inherited;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * Gives tests a database with tables and rows, in the same state for each of them.
 *
 * <p>On a class, it is for all its tests; on a parameter, for this one, or the class's if the annotation says nothing.
 * Parameters of the types {@link javax.sql.DataSource}, {@link java.sql.Connection} and {@link TestDatabase} are
 * filled, in tests, in methods for before and after each, and in constructors; those of one test get the same
 * database. Tests that run side by side have a database each.
 *
 * <p>The tables come from one of {@link #script}, {@link #project} and {@link #url}. Tables that are empty then get
 * made-up rows, which keep all their rules.
 *
 * <p>It may stand on an annotation of one's own, which then says the same wherever it stands.
 *
 * @since 0.1.0
 */
@Documented
@Inherited
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.PARAMETER})
@ExtendWith(SeededExtension.class)
public @interface Seeded {
    /** How many rows a table gets that has none, unless {@link #rows} says otherwise. */
    int ROWS = 5;

    /**
     * A file of SQL that makes the tables, or a folder of change scripts, which are run in the order of their names.
     * Relative paths begin in the directory in which the tests run. The rows that it inserts stay.
     */
    String script() default "";

    /** The engine that {@link #script} is written for, in lower case: {@code postgresql}, for instance. */
    String engine() default "";

    /** The directory of a generated project, whose tables and seed rows are taken. */
    String project() default "";

    /**
     * The JDBC URL of a database whose tables are taken, without their rows. It is read and not changed; the tests get
     * databases on a server of their own. <code>${NAME}</code> stands for a system property or a variable of the
     * environment, here and in {@link #user} and {@link #password}.
     */
    String url() default "";

    /** The login to read the tables of {@link #url}. */
    String user() default "";

    /** Its password. */
    String password() default "";

    /** A file of SQL that inserts rows of one's own; tables that it leaves empty get made-up ones. */
    String seed() default "";

    /** How many made-up rows each table gets that has none; 0 for none. Fewer where its keys leave room for no more. */
    int rows() default ROWS;

    /** Another number makes other rows, the same one the same. */
    long number() default 1;
}
