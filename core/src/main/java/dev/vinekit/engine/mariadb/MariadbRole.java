package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.LoginRole;
import dev.vinekit.engine.mysqlfamily.FamilyRole;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Sequence;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What is MariaDB's own in the rights of a user. */
final class MariadbRole extends FamilyRole {
    private static final Pattern SEQUENCE = Pattern.compile("nextval\\(`((?:[^`]|``)+)`\\)");

    private final Schema schema;

    MariadbRole(String database, Schema schema, LoginRole role) {
        super(new MariadbDialect(), database, role);
        this.schema = schema;
    }

    /** An INSERT that returns the row wants the right to insert every column, also those that it only returns. */
    @Override
    protected LoginRole.Grant adapted(LoginRole.Grant grant) {
        return new LoginRole.Grant(grant.table(), grant.inserts(), List.of(), grant.updated(), grant.deletes());
    }

    @Override
    protected List<TableName> sequences(LoginRole role) {
        List<TableName> used = new ArrayList<>();
        for (LoginRole.Grant grant : role.grants()) {
            for (Column column : grant.inserts() ? grant.table().columns() : List.<Column>of()) {
                Matcher matcher = SEQUENCE.matcher(column.defaultValue().map(DefaultValue::text).orElse(""));
                while (matcher.find()) {
                    String name = matcher.group(1).replace("``", "`");
                    schema.sequences().stream().map(Sequence::name).filter(sequence -> sequence.name().equals(name))
                            .filter(sequence -> !used.contains(sequence)).forEach(used::add);
                }
            }
        }
        return used;
    }
}
