package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Domain;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Table definitions as PostgreSQL wants them. */
final class PostgresqlDefinition extends StandardDefinition {
    PostgresqlDefinition(Dialect dialect, Schema schema) {
        super(dialect, schema);
    }

    @Override
    protected StandardDefinition of(Schema other) {
        return new PostgresqlDefinition(dialect, other);
    }

    /** Without this, functions would have to come after all that their bodies name. */
    @Override
    protected List<String> preliminaries() {
        return schema.objects().stream().anyMatch(object -> object.kind() == SchemaObject.Kind.FUNCTION)
                ? List.of("SET check_function_bodies = false") : List.of();
    }

    @Override
    protected Map<String, String> types() {
        Map<String, String> statements = new LinkedHashMap<>();
        Stream.concat(schema.domains().stream().map(Domain::base),
                        schema.tables().stream().flatMap(table -> table.columns().stream()).map(Column::type))
                .flatMap(type -> Stream.concat(Stream.of(type), type.element().stream()))
                .filter(type -> type.kind() == SqlType.Kind.ENUM && !type.labels().isEmpty())
                .forEach(type -> statements.put(type.text(), "CREATE TYPE " + type.text() + " AS ENUM "
                        + type.labels().stream()
                        .map(Dialect::quoteLiteral).collect(Collectors.joining(", ", "(", ")"))));
        return statements;
    }

    @Override
    protected String type(Column column) {
        if (column.identity() != Column.Identity.AUTO_INCREMENT || column.defaultValue().isPresent()) {
            return super.type(column);
        }
        return switch (column.type().kind()) {
            case SMALLINT -> "smallserial";
            case BIGINT -> "bigserial";
            default -> "serial";
        };
    }

    @Override
    protected String numbering(Column column) {
        return column.identity() == Column.Identity.AUTO_INCREMENT ? " NOT NULL" : super.numbering(column);
    }

    @Override
    protected String computed(Column.Computed computed) {
        return super.computed(computed) + (computed.stored() ? " STORED" : " VIRTUAL");
    }

    @Override
    protected boolean saysComputedIsRequired() {
        return true;
    }

    /** A partitioned table gets one partition that takes every row, for partitions are not listed. */
    @Override
    protected List<String> comments(Table table) {
        List<String> statements = new ArrayList<>();
        if (table.kind() == Table.Kind.PARTITIONED_TABLE) {
            String rows = table.options().startsWith("PARTITION BY HASH") ? "FOR VALUES WITH (MODULUS 1, REMAINDER 0)"
                    : "DEFAULT";
            statements.add("CREATE TABLE " + dialect.table(
                            new TableName(table.name().schema(), "partition_"
                                    + Integer.toHexString(table.name().hashCode())),
                            schema.defaultSchema())
                    + " PARTITION OF " + name(table) + " " + rows);
        }
        statements.addAll(super.comments(table));
        return statements;
    }
}
