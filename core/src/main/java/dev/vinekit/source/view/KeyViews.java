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
        return entity.key().size() == 1 ? single(entity, entity.key().get(0), loose) : composite(entity, loose);
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

    private EntityView.KeyView single(Entity entity, Field field, boolean loose) {
        JavaName variable = variable(entity);
        JavaName name = field.name();
        return new EntityView.KeyView(
                FieldViews.type(field, false),
                FieldViews.type(field, true),
                variable,
                JavaCode.of("%s", variable),
                JavaCode.of("PathKeys.join(created.%s())", name),
                JavaCode.of("@PathParam(\"key\")"),
                JavaCode.of("PathKeys.join(%s.%s())", entity.variable(), name),
                JavaCode.of("stored.%s()", name),
                JavaCode.of("before.%s()", name),
                JavaCode.of("created.%s()", name),
                JavaCode.of("all.get(0).%s()", name),
                JavaCode.of("stored.%s()", name),
                loose);
    }

    private static EntityView.KeyView composite(Entity entity, boolean loose) {
        JavaName type = entity.keyName().orElse(entity.name()).inCode();
        return new EntityView.KeyView(
                JavaCode.of("%s", type),
                JavaCode.of("%s", type),
                JavaName.of("key"),
                parts(entity, "key.%s()"),
                JavaCode.of("created.primaryKey().toString()"),
                JavaCode.of("@Encoded @PathParam(\"key\")"),
                JavaCode.of("%s.primaryKey()", entity.variable()),
                JavaCode.of("stored.primaryKey()"),
                JavaCode.of("before.primaryKey()"),
                JavaCode.of("created.primaryKey()"),
                parts(entity, "all.get(0).%s()"),
                parts(entity, "stored.%s()"),
                loose);
    }

    private static JavaCode parts(Entity entity, String form) {
        return JavaCode.list(entity.key().stream().map(field -> JavaCode.of(form, field.name())).toList());
    }
}
