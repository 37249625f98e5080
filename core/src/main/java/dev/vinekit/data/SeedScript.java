package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Relation;
import dev.vinekit.sql.Dialect;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** Writes INSERT statements for a few rows of every table, parents first. */
public final class SeedScript {
    /** Rows in each table. */
    public static final int ROWS = 5;

    private final Mapping mapping;
    private final Dialect dialect;
    private final SampleRows samples;

    public SeedScript(Mapping mapping, Dialect dialect) {
        this.mapping = mapping;
        this.dialect = dialect;
        this.samples = new SampleRows(mapping);
    }

    /** The script; each row of a table refers to the row of the same number in another, by a second reference to the next. */
    public String text() {
        StringBuilder script = new StringBuilder("-- Made-up rows, " + ROWS + " in each table.\n");
        for (Entity entity : mapping.inReferenceOrder()) {
            if (!entity.isInsertable()) {
                continue;
            }
            script.append('\n');
            for (int n = 1; n <= ROWS; n++) {
                script.append(insert(entity, n));
            }
            entity.fields().stream().filter(field -> field.input() == Field.Input.ASSIGNED)
                    .flatMap(field -> dialect.restartIdentity(entity.sqlTable(), field.column(), ROWS + 1L).stream())
                    .forEach(statement -> script.append(statement).append(";\n"));
        }
        return script.toString();
    }

    private String insert(Entity entity, int n) {
        List<String> columns = new ArrayList<>();
        List<String> values = new ArrayList<>();
        boolean numbersItself = false;
        for (Map.Entry<Field, Sample> value : samples.row(entity, n % 2 == 0).values().entrySet()) {
            Field field = value.getKey();
            boolean assigned = field.input() == Field.Input.ASSIGNED;
            boolean pointsAhead = value.getValue() instanceof Sample.Reference reference && !field.inKey()
                    && reference.relation().foreignKey().target().equals(entity.table().name()) && n == 1;
            if (assigned || !(value.getValue() instanceof Sample.Nothing) && !pointsAhead) {
                columns.add(field.sqlName());
                values.add(literal(entity, field, assigned ? new Sample.NumberedNumber(BigDecimal.ZERO)
                        : value.getValue(), n));
                numbersItself |= assigned;
            }
        }
        return "INSERT INTO " + entity.sqlTable() + columns.stream().collect(Collectors.joining(", ", " (", ")\n"))
                + (numbersItself && !dialect.overridingIdentity().isEmpty() ? dialect.overridingIdentity() + "\n" : "")
                + "VALUES " + values.stream().collect(Collectors.joining(", ", "(", ");\n"));
    }

    private String literal(Entity entity, Field field, Sample sample, int n) {
        if (sample instanceof Sample.Reference reference) {
            Entity target = mapping.entity(reference.relation().foreignKey().target());
            int row = target.equals(entity) ? n - 1 : (n - 1 + turn(entity, reference.relation())) % ROWS + 1;
            Field targetField = reference.target();
            Sample targetSample = targetField.input() == Field.Input.ASSIGNED
                    ? new Sample.NumberedNumber(BigDecimal.ZERO)
                    : samples.row(target, row % 2 == 0).values().get(targetField);
            return literal(target, targetField, targetSample, row);
        }
        return dialect.literal(field.column().type(), text(sample, n));
    }

    /** Which of the references of an entity to the same target this is: each goes to another row. */
    private static int turn(Entity entity, Relation relation) {
        return entity.relations().stream()
                .filter(other -> other.foreignKey().target().equals(relation.foreignKey().target())).toList().indexOf(relation);
    }

    private static String later(String iso, int n) {
        if (iso.indexOf('-') < 0) {
            LocalTime time = LocalTime.parse(iso.substring(0, 8));
            return time.plusMinutes(n).format(DateTimeFormatter.ISO_LOCAL_TIME) + iso.substring(8);
        }
        return LocalDate.parse(iso.substring(0, 10)).plusDays(n) + iso.substring(10);
    }

    /** A value as text, binary ones in hexadecimal. */
    static String text(Sample sample, int n) {
        if (sample instanceof Sample.Text text) {
            return text.value();
        } else if (sample instanceof Sample.NumberedText text) {
            return text.before() + n + text.after();
        } else if (sample instanceof Sample.Digits digits) {
            return String.format(Locale.ROOT, "%0" + digits.length() + "d", n);
        } else if (sample instanceof Sample.Letter) {
            return Character.toString('A' + n);
        } else if (sample instanceof Sample.Number number) {
            return number.value().toPlainString();
        } else if (sample instanceof Sample.NumberedNumber number) {
            return number.base().add(BigDecimal.valueOf(n)).toPlainString();
        } else if (sample instanceof Sample.Truth truth) {
            return truth.value() ? "TRUE" : "FALSE";
        } else if (sample instanceof Sample.Constant constant) {
            return constant.value();
        } else if (sample instanceof Sample.Moment moment) {
            return moment.iso();
        } else if (sample instanceof Sample.NumberedMoment moment) {
            return later(moment.iso(), n);
        } else if (sample instanceof Sample.NumberedUuid) {
            return String.format(Locale.ROOT, "00000000-0000-4000-8000-%012d", n);
        } else if (sample instanceof Sample.Document document) {
            return document.json();
        } else if (sample instanceof Sample.Bytes bytes) {
            return bytes.hex();
        }
        throw new IllegalArgumentException("no text for " + sample);
    }
}
