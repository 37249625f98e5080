package dev.vinekit.page;

import dev.vinekit.engine.SampleOfRows;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Remark;
import dev.vinekit.project.ServiceDescription.TableDescription;
import dev.vinekit.run.RuleOutcome;
import dev.vinekit.schema.InWords;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What the page says of one table, in the words that it is said in. The template asks for each part. */
public final class TableSection {
    private final SchemaPage page;
    private final Table table;
    private final Map<TableName, String> anchors;

    TableSection(SchemaPage page, Table table, Map<TableName, String> anchors) {
        this.page = page;
        this.table = table;
        this.anchors = anchors;
    }

    /** A column, told in words. */
    public record ColumnLine(String name, String type, boolean nullable, String keys, String filled, String comment) {
    }

    /** A fact about a table: what sort of fact, and what it says, with the table that it leads to. */
    public record Fact(String kind, String text, String anchor, String link, String rest) {
        static Fact of(String kind, String text) {
            return new Fact(kind, text, "", "", "");
        }
    }

    /** What a service makes of the table. */
    public record Service(String entity, String path, String operations, List<String> remarks) {
    }

    /** A rule, and how much is known of it. */
    public record ProofLine(String rule, String state, String reason) {
    }

    public String name() {
        return page.nameOf(table.name());
    }

    public String anchor() {
        return anchors.get(table.name());
    }

    /** Sort of table where it is not the usual one; empty otherwise. */
    public String kind() {
        return table.kind() == Table.Kind.TABLE ? "" : table.kind().words();
    }

    public String comment() {
        return table.comment();
    }

    /** How many rows; empty if that is not known. */
    public String rows() {
        return Optional.ofNullable(page.counts().get(table.name())).map(Object::toString).orElse("");
    }

    public List<ColumnLine> columns() {
        return table.columns().stream().map(column -> new ColumnLine(column.name(), InWords.type(column),
                column.nullable(), InWords.keys(table, column.name()), InWords.filled(column), column.comment()))
                .toList();
    }

    /** Keys, references both ways, checks, indexes, and what a view reads. */
    public List<Fact> facts() {
        List<Fact> facts = new ArrayList<>();
        table.primaryKey().ifPresent(key -> facts.add(Fact.of("primary key", columns(key.columns()))));
        table.uniqueKeys().forEach(key -> facts.add(Fact.of("unique", columns(key.columns()))));
        table.foreignKeys().forEach(key -> facts.add(link("refers", columns(key.columns()) + " to ", key.target(),
                " (" + columns(key.targetColumns()) + ")" + InWords.onDelete(key) + InWords.deferral(key))));
        for (Table other : page.schema().tables()) {
            other.foreignKeys().stream().filter(key -> key.target().equals(table.name())).forEach(key ->
                    facts.add(link("referred by", "", other.name(), " (" + columns(key.columns()) + ")"
                            + InWords.onDelete(key))));
            other.viewQuery().filter(query -> query.reads().contains(table.name()))
                    .ifPresent(query -> facts.add(link("read by", "", other.name(), "")));
        }
        table.viewQuery().ifPresent(query -> query.reads().stream().distinct()
                .forEach(read -> facts.add(link("reads", "", read, ""))));
        table.parents().forEach(parent -> facts.add(link("rows also in", "", parent, "")));
        table.checks().forEach(check -> facts.add(Fact.of("check", check.expression())));
        table.columns().forEach(column -> page.schema().domain(column)
                .ifPresent(domain -> domain.checks().forEach(check ->
                facts.add(Fact.of("check", check.expression() + " of " + column.name() + ", by its domain")))));
        table.indexes().forEach(index -> facts.add(Fact.of(index.unique() ? "unique index" : "index",
                index.definition().orElseGet(() -> columns(index.columns())))));
        return facts;
    }

    private Fact link(String kind, String before, TableName target, String after) {
        return new Fact(kind, before, anchors.getOrDefault(target, ""), page.nameOf(target), after);
    }

    private static String columns(List<String> names) {
        return String.join(", ", names);
    }

    /** At most one. */
    public List<Service> service() {
        Stream<Service> planned = page.mapping().stream().flatMap(mapping -> mapping.entities().stream()
                .filter(entity -> entity.table().name().equals(table.name())).map(this::service));
        return Stream.concat(planned, described().map(TableSection::service)).limit(1).toList();
    }

    private Service service(Entity entity) {
        List<String> remarks = page.mapping().orElseThrow().remarks().stream()
                .filter(remark -> remark.table().equals(table.name())).map(Remark::text).toList();
        return new Service(entity.name().value(), entity.path(), words(entity.operations()), remarks);
    }

    private static Service service(TableDescription description) {
        return new Service(description.entity(), description.path(), words(description.operations()),
                description.remarks());
    }

    private static String words(Set<Operation> operations) {
        return operations.stream().sorted().map(Operation::word)
                .collect(Collectors.joining(" "));
    }

    private Stream<TableDescription> described() {
        return page.report().stream().flatMap(report -> report.service().tables().stream())
                .filter(description -> description.table().equals(table.name().name()));
    }

    /** What the tests showed of the rules of the table. */
    public List<ProofLine> proofs() {
        return described().flatMap(description -> page.report().orElseThrow().rules(description).stream())
                .map(TableSection::line).toList();
    }

    private static ProofLine line(RuleOutcome rule) {
        return new ProofLine(rule.title(), rule.state().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                rule.reason());
    }

    /** Rows to show, with the names of their columns; at most one such list. */
    public List<SampleOfRows> sample() {
        return Optional.ofNullable(page.samples().get(table.name())).stream().toList();
    }
}
