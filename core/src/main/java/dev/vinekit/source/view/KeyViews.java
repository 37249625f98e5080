package dev.vinekit.source.view;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.schema.SqlType;
import dev.vinekit.sql.Dialect;
import java.util.List;
import java.util.Set;

/** Makes the views of keys. */
final class KeyViews {
    private final Dialect dialect;
    private final Set<String> locals;

    /** @param locals the names that methods use beside those of fields */
    KeyViews(Dialect dialect, Set<String> locals) {
        this.dialect = dialect;
        this.locals = locals;
    }

    /** The parameter that holds a key. */
    JavaName variable(Entity entity) {
        List<Field> key = entity.key();
        boolean single = key.size() == 1 && !locals.contains(key.get(0).name().value());
        return single ? key.get(0).name() : JavaName.of("key");
    }

    /** How code speaks of a key. */
    EntityView.KeyView of(Entity entity) {
        boolean loose = entity.key().stream().anyMatch(field -> isLoose(entity, field));
        if (entity.key().size() == 1) {
            Field field = entity.key().get(0);
            return new EntityView.KeyView(
                    FieldViews.type(field, false), FieldViews.type(field, true), variable(entity), loose);
        }
        JavaCode type = JavaCode.of("%s", entity.keyName().orElse(entity.name()).inCode());
        return new EntityView.KeyView(type, type, JavaName.of("key"), loose);
    }

    private boolean isLoose(Entity entity, Field field) {
        SqlType type = field.column().type();
        return switch (field.type()) {
            case STRING -> !dialect.comparesExactly(entity.table(), field.column())
                    || type.kind() != SqlType.Kind.VARCHAR && type.kind() != SqlType.Kind.TEXT;
            case BIG_DECIMAL -> !type.isWholeNumber() && type.kind() == SqlType.Kind.DECIMAL;
            default -> field.type().isFinerThanTheDatabase();
        };
    }
}
