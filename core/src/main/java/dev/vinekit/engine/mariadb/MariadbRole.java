package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.LoginRole;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Sequence;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Writes the statements that make a user (MariaDB manual, CREATE USER and GRANT). */
final class MariadbRole {
    private static final Pattern SEQUENCE = Pattern.compile("nextval\\(`((?:[^`]|``)+)`\\)");

    private final String database;
    private final Schema schema;
    private final LoginRole role;
    private final MariadbDialect dialect = new MariadbDialect();
    private final StringBuilder script = new StringBuilder();

    MariadbRole(String database, Schema schema, LoginRole role) {
        this.database = database;
        this.schema = schema;
        this.role = role;
    }

    String script() {
        String user = MariadbDialect.quoteText(role.name()) + "@'%'";
        line("CREATE USER " + user + " IDENTIFIED BY " + MariadbDialect.quoteText(role.password()) + "\n"
                + "    WITH MAX_USER_CONNECTIONS " + role.connections());
        for (LoginRole.Grant grant : role.grants()) {
            line("GRANT " + wholeRows(grant).privileges(dialect) + "\n    ON " + table(grant.table().name()) + " TO "
                    + user);
        }
        for (TableName sequence : sequences()) {
            line("GRANT SELECT, INSERT ON " + table(sequence) + " TO " + user);
        }
        return script.toString();
    }

    /** An INSERT that returns the row wants the right to insert every column, also those that it only returns. */
    private static LoginRole.Grant wholeRows(LoginRole.Grant grant) {
        return new LoginRole.Grant(grant.table(), grant.inserts(), List.of(), grant.updated(), grant.deletes());
    }

    private void line(String statement) {
        script.append(statement).append(";\n");
    }

    private String table(TableName name) {
        return dialect.identifier(name.schema().isEmpty() ? database : name.schema()) + "."
                + dialect.identifier(name.name());
    }

    /** The sequences that new rows take numbers from. */
    private List<TableName> sequences() {
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
