package dev.vinekit.judge;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engines;
import dev.vinekit.TestDatabases;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.schema.Schema;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * How the dump of a database differs from the dump of one that our definition of it makes.
 *
 * @param unexplained lines that only one of the two has, with a minus for the source's and a plus for ours
 * @param explained how many lines differ for which reason
 */
public record DumpComparison(List<String> unexplained, Map<String, Integer> explained) {
    /** Why lines may differ, by engine and what they look like. Everything else has to be the same. */
    private static final List<Reason> REASONS = List.of(
            new Reason("postgresql", "NO INHERIT speaks of other tables", "(?s).*NO INHERIT.*"),
            new Reason("postgresql", "what belongs to roles and to replication",
                    "(?s)(?:CREATE (?:PUBLICATION|SUBSCRIPTION|EVENT TRIGGER|POLICY)).*"),
            new Reason("sqlite", "a key is never NULL here, whether that is said or not",
                    "column .*[ )][01] [1-9]\\d* [0-3] default .*"),
            new Reason("mariadb", "partitions are not listed: one takes every row", "(?s).*PARTITION.*"),
            new Reason("mysql", "partitions are not listed: one takes every row", "(?s).*PARTITION.*"),
            new Reason("mysql", "a check that is not enforced is none", ".*/\\*!80016 NOT ENFORCED \\*/"));

    private record Reason(String engine, String words, String lines) {
    }

    /** Whether the engine's program is here. */
    public static boolean isPossible(String engine) {
        return Set.of("h2", "sqlite", "mysql").contains(engine) || EngineDump.program(engine).isPresent();
    }

    /**
     * Makes a database of our definition beside the source, and compares the dumps.
     *
     * @param schema what was read from the source
     */
    public static DumpComparison of(Database source, Schema schema) throws Exception {
        String engine = source.engine().name();
        try (ScratchDatabase copy = TestDatabases.administered(Engines.named(engine))) {
            copy.execute(Engines.named(engine).dialect(schema).definition(schema));
            List<String> unexplained = new ArrayList<>();
            Map<String, Integer> explained = new LinkedHashMap<>();
            Map<String, Integer> left = lines(engine, withoutPartitions(EngineDump.of(source), explained));
            Map<String, Integer> right = lines(engine, withoutPartitions(EngineDump.of(
                    new Database(Engines.named(engine), copy.url(), copy.user(), copy.password())), explained));
            note(engine, "- ", left, right, unexplained, explained);
            note(engine, "+ ", right, left, unexplained, explained);
            return new DumpComparison(unexplained, explained);
        }
    }

    private static void note(String engine, String sign, Map<String, Integer> some, Map<String, Integer> others,
            List<String> unexplained, Map<String, Integer> explained) {
        some.forEach((line, count) -> {
            int more = count - others.getOrDefault(line, 0);
            Optional<Reason> reason = REASONS.stream()
                    .filter(each -> each.engine.equals(engine) && Pattern.matches(each.lines, line)).findFirst();
            for (int i = 0; i < more; i++) {
                reason.ifPresentOrElse(found -> explained.merge(found.words, 1, Integer::sum),
                        () -> unexplained.add(sign + line));
            }
        });
    }

    /** The lines with how often they occur: order is nobody's promise. */
    private static Map<String, Integer> lines(String engine, List<String> statements) {
        return statements.stream().flatMap(statement -> switch (engine) {
            case "postgresql" -> postgresql(statement).stream();
            case "mariadb" -> mariadb(statement).stream();
            case "mysql" -> mariadb(mysql(statement)).stream();
            case "h2" -> h2(statement).stream();
            default -> List.of(sqlite(statement)).stream();
        }).collect(Collectors.toMap(line -> line, line -> 1, Integer::sum, LinkedHashMap::new));
    }

    private static final Pattern SQLITE_BLANKS = Pattern.compile("(?:\\s|--[^\\n]*\\n)+");

    /** Blanks do not matter, nor do capitals where tables and columns are referred to; our views name their columns. */
    private static String sqlite(String statement) {
        String plain = SQLITE_BLANKS.matcher(statement).replaceAll(" ").replaceAll(" ?([(),;=]) ?", "$1").strip();
        return statement.startsWith("reference ") ? statement.toLowerCase(Locale.ROOT)
                : plain.replaceFirst("(?i)^(CREATE VIEW .*?)(?:\\([^)]*\\))? ?AS ?SELECT", "$1 AS SELECT");
    }

    /**
     * Usual digits of seconds are told or not; where counting began does not matter; columns and constraints are lines
     * of their own.
     */
    private static List<String> h2(String statement) {
        String plain = statement.replaceAll("(IDENTITY\\(START WITH )\\d+(?: RESTART WITH \\d+)?", "$1...")
                .replaceAll("TIMESTAMP\\(6\\)", "TIMESTAMP").replaceAll("TIME\\(0\\)", "TIME")
                .replaceAll("NUMERIC\\((\\d+), 0\\)", "NUMERIC($1)");
        String table = plain.lines().findFirst().orElse("");
        return plain.startsWith("--") || plain.startsWith("CREATE USER") ? List.of() : !table.contains(" TABLE ")
                ? List.of(plain)
                : Arrays.stream(plain.split("\n")).map(line -> table + " " + line.strip().replaceAll(",$", ""))
                .toList();
    }

    /** The session's settings, owners and rights are left out; constraints of a table may come in any order. */
    private static List<String> postgresql(String statement) {
        if (statement.matches(
                "(?s)(?:SET |SELECT pg_catalog\\.set_config|ALTER \\w+ .* OWNER TO ).*|(?s)CREATE SCHEMA public;|(?s)COMMENT ON EXTENSION.*")) {
            return List.of();
        }
        Matcher later = LATER_CHECK.matcher(statement);
        if (later.matches()) {
            return List.of("CREATE TABLE " + later.group(1) + " ( " + later.group(2));
        }
        String table = statement.lines().findFirst().orElse("");
        return !table.matches("CREATE (?:UNLOGGED )?TABLE .*") ? List.of(statement)
                : Arrays.stream(statement.split("\n")).map(line -> table + " " + line.strip().replaceAll(",$", ""))
                .toList();
    }

    /** That a check is not valid speaks of rows that were there before it. */
    private static final Pattern LATER_CHECK =
            Pattern.compile("(?s)ALTER TABLE (\\S+)\\s+ADD (CONSTRAINT \\S+ CHECK .*) NOT VALID;");

    /** Statements about partitions, which each of the two databases has others of. */
    private static List<String> withoutPartitions(List<String> statements, Map<String, Integer> explained) {
        Set<String> partitions = new HashSet<>();
        Pattern attached = Pattern.compile("ATTACH PARTITION ([^\\s;]+)");
        statements.forEach(statement -> attached.matcher(statement).results()
                .forEach(match -> partitions.add(match.group(1))));
        List<String> others = statements.stream().filter(statement -> partitions.stream().noneMatch(name ->
                Arrays.asList(statement.split("[\\s;(]+")).contains(name))).toList();
        if (others.size() < statements.size()) {
            explained.merge("partitions are not listed: one takes every row", statements.size() - others.size(),
                    Integer::sum);
        }
        return others;
    }

    /**
     * The columns of our views are named, which those of others may be; a view that is merged is what one is anyway; a
     * collation that is the database's own need not be said; what is invisible is so in a comment.
     */
    private static String mysql(String statement) {
        return statement.replaceFirst("(VIEW `(?:[^`]|``)+`) \\((?:[^`)]|`(?:[^`]|``)+`)*\\) AS", "$1 AS")
                .replace("CREATE ALGORITHM=MERGE ", "CREATE ALGORITHM=UNDEFINED ")
                .replace(" CHARACTER SET utf8mb4 COLLATE utf8mb4_0900_ai_ci", "")
                .replaceAll(" /\\*!80\\d+ INVISIBLE \\*/", "");
    }

    /**
     * Keys of a table may come in any order; where its numbering stands and who defined things does not matter, and of
     * the head of a function or trigger neither do blanks, quotes and display widths; a tree is what an index is
     * anyway; whether {@code SELECT *} shows a column and whether a plan may use an index changes nothing that is read
     * here.
     */
    private static List<String> mariadb(String statement) {
        String plain = statement.replaceAll("/\\*!\\d+ DEFINER=\\S+ ?\\*/ ?", "").replaceAll("DEFINER=\\S+ ", "")
                .replaceAll(" AUTO_INCREMENT=\\d+", "")
                .replaceAll("/\\*!50001 VIEW", "VIEW").replaceAll("`vinekit_scratch_\\w+`\\.", "");
        if (plain.matches("(?s)(?:/\\*!\\d+ )?SET .*|(?s)/\\*M?!\\d+.{0,3}(?:SET|enable).*|(?s)DELIMITER.*")) {
            return List.of();
        }
        if (plain.matches("(?s)CREATE (?:FUNCTION|PROCEDURE).*")) {
            return List.of(plain.toLowerCase(Locale.ROOT).replace("`", "").replaceAll(" charset \\w+ collate \\w+", "")
                    .replaceAll("\\b(\\w*int)\\(\\d+\\)", "$1").replaceAll("\\s+", " ")
                    .replaceAll(" ?([(),]) ?", "$1"));
        }
        if (plain.matches("(?si).*\\bTRIGGER\\b.*")) {
            return List.of(plain.replace("`", "").replaceAll("\\s+", " ").toLowerCase(Locale.ROOT));
        }
        String table = plain.lines().findFirst().orElse("");
        return !table.startsWith("CREATE TABLE") ? List.of(plain)
                : Arrays.stream(plain.split("\n"))
                .map(line -> table + " " + line.strip().replaceAll(",$", "").replace(" USING BTREE", "")
                        .replace(" INVISIBLE", "").replaceAll(" IGNORED$", "")).toList();
    }
}
