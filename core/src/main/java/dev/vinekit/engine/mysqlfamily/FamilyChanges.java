package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Changes as MySQL and MariaDB want them: a column is written whole, with its comment. */
public abstract class FamilyChanges extends StandardChanges {
    protected FamilyChanges(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
    }

    /** The statements that drop an index if it has not gone by itself with the reference that it was made for. */
    protected abstract List<String> dropIndex(TableName table, TablePart index);

    @Override
    protected String renameTable(Table was, Table now) {
        return "RENAME TABLE " + name(was) + " TO " + name(now);
    }

    @Override
    protected List<String> alterations(Table table, Column was, Column now) {
        return List.of("ALTER TABLE " + name(table) + " MODIFY COLUMN " + columnOf(table, now));
    }

    /** A check that stands with its column comes and goes with the column's definition. */
    @Override
    protected String addition(Table table, TablePart part) {
        return part instanceof Check check && check.column().isPresent()
                ? "ALTER TABLE " + name(table) + " MODIFY COLUMN " + columnOf(table, table.column(check.column().get()))
                : super.addition(table, part);
    }

    /** An index that a reference needs can only go when another one does its work, and may then be gone by itself. */
    @Override
    protected boolean isDroppedLate(SchemaChange.PartChanged change) {
        return change.part() instanceof Index && change.now().isEmpty();
    }

    @Override
    protected List<String> drop(TableName table, boolean primary, TablePart part) {
        String alter = "ALTER TABLE " + name(table);
        String name = dialect.identifier(part.name());
        if (part instanceof ForeignKey) {
            return List.of(alter + " DROP FOREIGN KEY " + name);
        } else if (part instanceof UniqueKey && primary) {
            return List.of(alter + " DROP PRIMARY KEY");
        } else if (part instanceof UniqueKey || part instanceof Index) {
            return dropIndex(table, part);
        }
        boolean withColumn = part instanceof Check check && check.column().isPresent();
        return withColumn ? List.of(addition(table(table), part)) : List.of(alter + " DROP CONSTRAINT " + name);
    }

    @Override
    protected List<String> comment(TableName table, Optional<Column> was, Column now) {
        return List.of();
    }

    @Override
    protected List<String> descriptions(SchemaChange.DescriptionChanged change) {
        List<String> statements = new ArrayList<>();
        if (!change.now().isView() && !change.was().comment().equals(change.now().comment())) {
            statements.add("ALTER TABLE " + name(change.now()) + " COMMENT="
                    + FamilyDialect.quoteText(change.now().comment()));
        }
        if (!change.was().options().equals(change.now().options())) {
            statements.add("ALTER TABLE " + name(change.now()) + " " + change.now().options());
        }
        return statements;
    }
}
