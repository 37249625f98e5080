package dev.vinekit.run;

import dev.vinekit.engine.LoginRole;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import java.util.List;
import java.util.function.Predicate;

/** What a generated service must be allowed to do. */
public final class ServiceRole {
    private ServiceRole() {
    }

    /**
     * A role that may do what the service's statements do, and nothing else.
     *
     * @param connections as many as the service's pool has
     */
    public static LoginRole of(Mapping mapping, String name, String password, int connections) {
        return new LoginRole(name, password, connections, mapping.entities().stream().map(ServiceRole::grant).toList());
    }

    private static LoginRole.Grant grant(Entity entity) {
        boolean creates = entity.can(Operation.CREATE);
        return new LoginRole.Grant(entity.table(), creates,
                creates ? columns(entity, field -> field.input() == Field.Input.WRITABLE) : List.of(),
                entity.can(Operation.REPLACE) ? columns(entity, Field::updatable) : List.of(),
                entity.can(Operation.DELETE));
    }

    private static List<String> columns(Entity entity, Predicate<Field> which) {
        return entity.fields().stream().filter(which).map(field -> field.column().name()).toList();
    }
}
