package dev.vinekit.engine.mysql;

import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.engine.mysqlfamily.FamilyChanges;
import dev.vinekit.engine.mysqlfamily.FamilyDialect;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.sql.Dialect;
import java.util.List;

/** What is MySQL's own in changes. */
final class MysqlChanges extends FamilyChanges {
    private final Schema before;

    MysqlChanges(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
        this.before = difference.before();
    }

    @Override
    protected String readOnlyVariable() {
        return "transaction_read_only";
    }

    /**
     * An index that was made for a reference is gone as soon as another one does its work; which one was made so,
     * nobody tells. MySQL has no IF EXISTS for indexes.
     */
    @Override
    protected List<String> dropIndex(TableName table, TablePart index) {
        String drop = "ALTER TABLE " + name(table) + " DROP INDEX " + dialect.identifier(index.name());
        boolean ofReference = index instanceof Index plain && !plain.unique()
                && before.table(table).stream().flatMap(was -> was.foreignKeys().stream())
                        .anyMatch(key -> key.columns().equals(plain.columns()));
        if (!ofReference) {
            return List.of(drop);
        }
        String schema = table.schema().isEmpty() ? "DATABASE()" : FamilyDialect.quoteText(table.schema());
        return List.of("SET @drop_index = IF(EXISTS (SELECT 1 FROM information_schema.STATISTICS WHERE TABLE_SCHEMA = "
                + schema + " AND TABLE_NAME = " + FamilyDialect.quoteText(table.name()) + " AND INDEX_NAME = "
                + FamilyDialect.quoteText(index.name()) + "), " + FamilyDialect.quoteText(drop) + ", 'DO 0')",
                "PREPARE drop_index FROM @drop_index", "EXECUTE drop_index", "DEALLOCATE PREPARE drop_index");
    }
}
