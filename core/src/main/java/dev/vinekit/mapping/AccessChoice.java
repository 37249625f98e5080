package dev.vinekit.mapping;

import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.ViewQuery;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Who may do what with a table: what is said of it, or else of all others. Once anything is said, nobody may do the
 * rest, and a view shows nobody what its tables do not: rows that belong to somebody neither.
 */
final class AccessChoice {
    private static final String EVERYBODY = "*";

    private final Schema schema;
    private final DecisionLookup lookup;
    private final RowChoice rows;
    private final List<String> others;
    private final boolean restricted;

    AccessChoice(Decisions decisions, Schema schema, DecisionLookup lookup, RowChoice rows) {
        this.rows = rows;
        this.schema = schema;
        this.lookup = lookup;
        this.others = decisions.http().otherTables();
        this.restricted = !others.isEmpty()
                || decisions.entities().values().stream().anyMatch(entity -> !entity.access().isEmpty()
                || entity.finders().stream().anyMatch(finder -> !finder.roles().isEmpty()));
    }

    /** Whether it is said of any table who may do what. */
    boolean isRestricted() {
        return restricted;
    }

    /** The roles for each operation; empty if there is no access control. */
    Map<Operation, List<String>> of(Table table) {
        return of(table, Set.of());
    }

    /** @param asked views on the way here: two of them may name each other, one of them only by a column of its own */
    private Map<Operation, List<String>> of(Table table, Set<TableName> asked) {
        Map<String, List<String>> own = lookup.of(table).decided().access();
        if (!own.isEmpty() || !restricted) {
            return OperationChoice.access(own);
        }
        boolean told = table.viewQuery().filter(query -> !query.sql().isEmpty()).isPresent();
        List<String> roles = told || !table.isView() ? others : List.of();
        Set<TableName> known = new HashSet<>(asked);
        known.add(table.name());
        for (TableName shown : table.viewQuery().map(ViewQuery::reads).orElse(List.of())) {
            if (!known.contains(shown)) {
                Optional<Table> other = schema.table(shown);
                roles = common(roles, other.map(read -> Entity.roles(of(read, known), Operation.READ)).orElse(List.of()));
                List<String> shownAll = other.flatMap(rows::of).map(OwnRows::everything).orElse(List.of(EVERYBODY));
                roles = rows.of(table).isPresent() ? roles : common(roles, shownAll);
            }
        }
        Map<Operation, List<String>> access = new LinkedHashMap<>();
        for (Operation operation : Operation.values()) {
            access.put(operation, roles);
        }
        return access;
    }

    private static List<String> common(List<String> some, List<String> more) {
        if (more.contains(EVERYBODY)) {
            return some;
        }
        List<String> common = new ArrayList<>(more);
        if (!some.contains(EVERYBODY)) {
            common.retainAll(some);
        }
        return common;
    }
}
