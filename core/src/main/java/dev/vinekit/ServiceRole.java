package dev.vinekit;

import dev.vinekit.engine.LoginRole;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Filling;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import java.util.List;
import java.util.function.Predicate;

/** What a generated service must be allowed to do. */
final class ServiceRole {
    private ServiceRole() {
    }

    /**
     * A role that may do what the service's statements do, and nothing else.
     *
     * @param connections as many as the service's pool has
     */
    static LoginRole of(Mapping mapping, String name, String password, int connections) {
        return new LoginRole(name, password, connections, mapping.entities().stream().map(ServiceRole::grant).toList());
    }

    private static LoginRole.Grant grant(Entity entity) {
        boolean creates = entity.can(Operation.CREATE);
        return new LoginRole.Grant(entity.table(), creates,
                creates ? columns(entity, field -> field.input() == Field.Input.WRITABLE
                        || field.filling() == Filling.OWNER || field.filling().isStamp()) : List.of(),
                updates(entity),
                entity.can(Operation.DELETE) && entity.deletion().isEmpty());
    }

    /** The columns that are changed; where rows are only deleted the key, for a row is locked before. */
    private static List<String> updates(Entity entity) {
        if (entity.isUpdatable() || entity.deletion().isPresent()) {
            return columns(entity, field -> entity.isUpdatable() && field.updatable()
                    || field.filling() == Filling.DELETED_AT || field.filling().isOfChange()
                    || entity.version().filter(field::equals).isPresent());
        }
        return entity.can(Operation.DELETE) ? columns(entity, Field::inKey) : List.of();
    }

    private static List<String> columns(Entity entity, Predicate<Field> which) {
        return entity.fields().stream().filter(which).map(field -> field.column().name()).toList();
    }
}
