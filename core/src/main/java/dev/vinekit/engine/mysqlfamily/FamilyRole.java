package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.LoginRole;
import dev.vinekit.schema.TableName;
import java.util.List;

/** Writes the statements that make a user (CREATE USER and GRANT in the manuals of MySQL and MariaDB). */
public class FamilyRole {
    private final String database;
    private final LoginRole role;
    private final FamilyDialect dialect;
    private final StringBuilder script = new StringBuilder();

    public FamilyRole(FamilyDialect dialect, String database, LoginRole role) {
        this.dialect = dialect;
        this.database = database;
        this.role = role;
    }

    /** The script. */
    public final String script() {
        String user = FamilyDialect.quoteText(role.name()) + "@'%'";
        line("CREATE USER " + user + " IDENTIFIED BY " + FamilyDialect.quoteText(role.password()) + "\n"
                + "    WITH MAX_USER_CONNECTIONS " + role.connections());
        for (LoginRole.Grant grant : role.grants()) {
            line("GRANT " + adapted(grant).privileges(dialect) + "\n    ON " + table(grant.table().name()) + " TO "
                    + user);
        }
        for (TableName sequence : sequences(role)) {
            line("GRANT SELECT, INSERT ON " + table(sequence) + " TO " + user);
        }
        return script.toString();
    }

    /** The rights that the server wants for what a service does with them. */
    protected LoginRole.Grant adapted(LoginRole.Grant grant) {
        return grant;
    }

    /** The sequences that new rows take numbers from. */
    protected List<TableName> sequences(LoginRole of) {
        return List.of();
    }

    private void line(String statement) {
        script.append(statement).append(";\n");
    }

    private String table(TableName name) {
        return dialect.identifier(name.schema().isEmpty() ? database : name.schema()) + "."
                + dialect.identifier(name.name());
    }
}
