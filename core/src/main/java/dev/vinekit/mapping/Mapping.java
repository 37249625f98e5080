package dev.vinekit.mapping;

import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Every decision about a schema.
 *
 * @param basePackage the package that the generated packages lie in
 * @param artifact the name of the generated project, with hyphens
 * @param conventions the ways of the house
 * @param definition the table definitions in the engine's SQL
 * @param entities in the order of their table names
 * @param children which rows belong to which, by parent
 * @param remarks what a person should know before using the code
 * @param handover how the database is told who the caller is, if it is
 * @param decisions what a person decided, by which all of it goes
 */
public record Mapping(
        Schema schema,
        JavaName basePackage,
        String artifact,
        Conventions conventions,
        String definition,
        List<Entity> entities,
        List<Child> children,
        List<Remark> remarks,
        Optional<Handover> handover,
        Decisions decisions) {

    public Mapping {
        entities = entities.stream().sorted(Comparator.comparing(entity -> entity.table().name())).toList();
        children = List.copyOf(children);
        remarks = List.copyOf(remarks);
    }

    /** This mapping, with more that a person should know. */
    public Mapping withRemarks(List<Remark> more) {
        List<Remark> all = new ArrayList<>(remarks);
        all.addAll(more);
        all.sort(Comparator.comparing(remark -> remark.table().toString()));
        return more.isEmpty() ? this : new Mapping(schema, basePackage, artifact, conventions, definition, entities,
                children, all, handover, decisions);
    }

    /**
     * The entity of a table.
     *
     * @throws IllegalArgumentException if the table is not mapped
     */
    public Entity entity(TableName table) {
        int low = 0;
        int high = entities.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int order = entities.get(middle).table().name().compareTo(table);
            if (order == 0) {
                return entities.get(middle);
            }
            low = order < 0 ? middle + 1 : low;
            high = order < 0 ? high : middle - 1;
        }
        throw new IllegalArgumentException("no entity for " + table);
    }

    /** The entities in an order in which each comes after those that it refers to, as far as cycles allow. */
    public List<Entity> inReferenceOrder() {
        return schema.inReferenceOrder().stream().map(table -> entity(table.name())).toList();
    }

    /**
     * The columns with usual names that may say when and by whom rows are made, changed and deleted, the most common of
     * each kind, by the word for it in the mapping file.
     */
    public Map<String, String> usualStamps() {
        Map<Filling, Map<String, Integer>> counts = new EnumMap<>(Filling.class);
        entities.forEach(entity -> StampChoice.usual(entity.table(), entity.keyColumns()).forEach((filling, name) ->
                counts.computeIfAbsent(filling, key -> new TreeMap<>()).merge(name, 1, Integer::sum)));
        Map<String, String> usual = new LinkedHashMap<>();
        counts.forEach((filling, names) -> usual.put(StampChoice.key(filling), names.entrySet().stream()
                .max(Map.Entry.comparingByValue()).orElseThrow().getKey()));
        return usual;
    }

    /** The references of an entity whose rows an answer can embed: those to rows that are seen by themselves too. */
    public List<Relation> included(Entity entity) {
        return entity.relations().stream().filter(Relation::followed).filter(relation -> {
            Entity target = entity(relation.foreignKey().target());
            return target.can(Operation.READ) || target.can(Operation.LIST);
        }).toList();
    }

    /** Whether it is said of any table who may do what. */
    public boolean hasAccess() {
        return entities.stream().anyMatch(entity -> !entity.access().isEmpty());
    }

    /** Every role that may do or see something, in order. */
    public List<String> roles() {
        return entities.stream().flatMap(entity -> Stream.concat(
                        Stream.concat(entity.access().values().stream().flatMap(List::stream),
                                entity.finders().stream().flatMap(finder -> finder.roles().stream())),
                        entity.ownRows().stream().flatMap(rows -> rows.everything().stream())))
                .filter(role -> !role.equals("*")).distinct().sorted().toList();
    }
}
