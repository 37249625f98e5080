package dev.vinekit.mapping;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a person has decided about a mapping. Whatever is not decided follows the rule.
 *
 * @param connections databases by names that a person gave them, to be chosen by these
 * @param features whether the service has one, by {@link Feature#key}
 * @param entities by the table's name in the database, with its schema in front where that is needed
 */
public record Decisions(
        Source source, Map<String, Source> connections, Tables tables, Project project, Seed seed, Http http,
        Map<String, Boolean> features, OfRows ownRows, OfStamps stamps, Map<String, OfEntity> entities) {
    /** Nothing decided. */
    public static final Decisions NONE = new Decisions(null, null, null, null, null, null, null, null, null, null);

    /** Where the schema is read from. */
    public record Source(
            Optional<String> url,
            Optional<String> user,
            Optional<String> password,
            List<String> schemas,
            Optional<String> script,
            Optional<String> engine) {
        public Source {
            schemas = orEmpty(schemas);
        }

        @Override
        public String toString() {
            return "Source[" + url + ", " + schemas + "]";
        }
    }

    /**
     * Which tables are mapped, by patterns with {@code *} for any letters.
     *
     * @param dropPrefix what tables' names begin with and classes' names do not
     */
    public record Tables(List<String> include, List<String> exclude, Optional<String> dropPrefix) {
        public Tables {
            include = orEmpty(include);
            exclude = orEmpty(exclude);
        }
    }

    /** How the code is laid out. */
    public record Project(
            @JsonProperty("package") Optional<String> basePackage,
            Optional<Conventions.Layout> layout,
            Optional<Boolean> interfaces,
            Optional<Conventions.JsonNames> jsonNames,
            Optional<String> fileHeader,
            Optional<String> indentation,
            Optional<String> templates,
            Optional<ChangeScripts> changeScripts) {
    }

    /**
     * Where change scripts go and how they are named, so that they fit the program that applies them.
     *
     * @param folder relative to the project
     * @param prefix what a name begins with
     * @param digits how many digits the number has at least
     * @param separator between the number and the words
     */
    public record ChangeScripts(Optional<String> folder, Optional<String> prefix, Optional<Integer> digits,
            Optional<String> separator) {
    }

    /**
     * The rows to begin with.
     *
     * @param file SQL of a person's own
     * @param rows made-up ones in each table
     * @param number what they are made from
     */
    public record Seed(Optional<String> file, Optional<Integer> rows, Optional<Integer> number) {
    }

    /**
     * What clients see of the service as a whole.
     *
     * @param otherTables the roles that may do everything with tables of which nothing is said; nobody, if anything is
     *     said of any
     * @param server whether the project has a server of its own; it does if nothing is decided
     */
    public record Http(
            Optional<String> basePath, List<String> otherTables, Optional<Boolean> server) {
        public Http {
            otherTables = orEmpty(otherTables);
        }
    }

    /**
     * About one table or view.
     *
     * @param operations all that are possible if nothing is decided
     * @param key the columns that tell rows apart; empty for the table's own key
     * @param filters columns; those of keys, references and indexes if nothing is decided
     * @param fields by column
     * @param version the column that numbers the states of a row; empty text for none; by its name if nothing is
     *     decided
     * @param access the roles that may do an operation, by its name in lower case; if any are listed, nobody may do the
     *     others
     * @param ownRows whose the rows are; as for all tables if nothing is decided
     * @param stamps the columns that the service fills; as for all tables where nothing is decided
     * @param requireIfMatch whether a client that changes or deletes a row must say which state of it
     * @param cacheSeconds how long clients may use an answer with rows again without asking; not at all if nothing is
     *     decided
     */
    public record OfEntity(
            Optional<String> name,
            Optional<String> path,
            Optional<Set<Operation>> operations,
            List<String> key,
            Optional<List<String>> filters,
            List<OfFinder> finders,
            Map<String, OfField> fields,
            Optional<String> version,
            Map<String, List<String>> access,
            Optional<OfRows> ownRows,
            Optional<OfStamps> stamps,
            Optional<Boolean> requireIfMatch,
            Optional<Integer> cacheSeconds) {
        /** Nothing decided. */
        static final OfEntity NONE = new OfEntity(Optional.empty(), Optional.empty(), Optional.empty(), null,
                Optional.empty(), null, null, Optional.empty(), null, Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty());

        public OfEntity {
            key = orEmpty(key);
            finders = orEmpty(finders);
            fields = orEmpty(fields);
            access = orEmpty(access);
        }
    }

    /**
     * Whose rows are.
     *
     * @param column that is compared with the claim; empty text for rows that belong to nobody
     * @param claim of the token, with dots where it lies deeper
     * @param through the column of the reference to the row whose owner has this one too
     * @param allFor the roles to which all rows are shown
     * @param setting of the database that has the claim while a transaction lasts, for policies of its own
     */
    public record OfRows(
            Optional<String> column, Optional<String> claim, Optional<String> through, List<String> allFor,
            Optional<String> setting) {
        /** Nothing decided. */
        static final OfRows NONE = new OfRows(Optional.empty(), Optional.empty(), Optional.empty(), null,
                Optional.empty());

        public OfRows {
            allFor = orEmpty(allFor);
        }

        /** What is said here, and else there. */
        OfRows or(OfRows other) {
            return new OfRows(column, claim.or(other::claim), through, allFor.isEmpty() ? other.allFor : allFor,
                    setting);
        }
    }

    /**
     * The columns that say when and by whom a row was made and changed, and when it was deleted; empty text for none.
     */
    public record OfStamps(
            Optional<String> createdAt, Optional<String> createdBy, Optional<String> changedAt,
            Optional<String> changedBy, Optional<String> deletedAt) {
        /** Nothing decided. */
        static final OfStamps NONE =
                new OfStamps(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

        /** What is decided, by what the columns are filled with. */
        Map<Filling, String> byFilling() {
            Map<Filling, String> columns = new EnumMap<>(Filling.class);
            createdAt.ifPresent(column -> columns.put(Filling.CREATED_AT, column));
            createdBy.ifPresent(column -> columns.put(Filling.CREATED_BY, column));
            changedAt.ifPresent(column -> columns.put(Filling.CHANGED_AT, column));
            changedBy.ifPresent(column -> columns.put(Filling.CHANGED_BY, column));
            deletedAt.ifPresent(column -> columns.put(Filling.DELETED_AT, column));
            return columns;
        }
    }

    /** About one column. */
    public record OfField(
            Optional<String> name, Optional<String> type, Optional<String> converter, Optional<String> reference,
            Optional<Visibility> visibility) {
        static final OfField NONE = new OfField(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty());
    }

    /**
     * A finder.
     *
     * @param by columns; all but the last are compared for equality
     * @param name of the method
     * @param roles that may list what it finds, and nothing else
     */
    public record OfFinder(List<String> by, Optional<Finder.Match> match, Optional<String> name, List<String> roles) {
        public OfFinder {
            by = orEmpty(by);
            roles = orEmpty(roles);
        }
    }

    public Decisions {
        source = source == null ? new Source(Optional.empty(), Optional.empty(), Optional.empty(), null,
                Optional.empty(), Optional.empty()) : source;
        connections = orEmpty(connections);
        tables = tables == null ? new Tables(null, null, Optional.empty()) : tables;
        project = project == null ? new Project(Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty(), Optional.empty()) : project;
        seed = seed == null ? new Seed(Optional.empty(), Optional.empty(), Optional.empty()) : seed;
        http = http == null ? new Http(Optional.empty(), null, Optional.empty()) : http;
        features = orEmpty(features);
        ownRows = ownRows == null ? OfRows.NONE : ownRows;
        stamps = stamps == null ? OfStamps.NONE : stamps;
        entities = orEmpty(entities);
    }

    /** These decisions for another package. */
    public Decisions inPackage(String basePackage) {
        Project inPackage = new Project(Optional.of(basePackage), project.layout, project.interfaces, project.jsonNames,
                project.fileHeader, project.indentation, project.templates, project.changeScripts);
        return new Decisions(
                source, connections, tables, inPackage, seed, http, features, ownRows, stamps, entities);
    }

    /** These decisions, but for where the schema is read from. */
    public Decisions withoutSource() {
        return new Decisions(null, null, tables, project, seed, http, features, ownRows, stamps, entities);
    }

    private static <T> List<T> orEmpty(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }

    private static <K, V> Map<K, V> orEmpty(Map<K, V> map) {
        return map == null ? Map.of() : new LinkedHashMap<>(map);
    }
}
