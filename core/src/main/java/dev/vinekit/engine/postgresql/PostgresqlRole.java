package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.LoginRole;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Writes the statements that make a login role (PostgreSQL manual, CREATE ROLE and GRANT). */
final class PostgresqlRole {
    private static final Pattern SEQUENCE = Pattern.compile("nextval\\('((?:[^']|'')+)'");

    private final Connection connection;
    private final Schema schema;
    private final LoginRole role;
    private final PostgresqlDialect dialect = new PostgresqlDialect();
    private final StringBuilder script = new StringBuilder();

    PostgresqlRole(Connection connection, Schema schema, LoginRole role) {
        this.connection = connection;
        this.schema = schema;
        this.role = role;
    }

    String script() throws SQLException {
        String name = dialect.identifier(role.name());
        String database = dialect.identifier(connection.getCatalog());
        line("CREATE ROLE " + name + " LOGIN PASSWORD " + Dialect.quoteLiteral(role.password()) + "\n"
                + "    CONNECTION LIMIT " + role.connections() + " NOSUPERUSER NOCREATEDB NOCREATEROLE NOINHERIT");
        line("GRANT CONNECT ON DATABASE " + database + " TO " + name);
        role.grants().stream().map(grant -> grant.table().name().schema()).distinct()
                .forEach(used -> line("GRANT USAGE ON SCHEMA " + dialect.identifier(used) + " TO " + name));
        for (LoginRole.Grant grant : role.grants()) {
            line("GRANT " + grant.privileges(dialect) + "\n    ON " + table(grant.table()) + " TO " + name);
        }
        for (String sequence : sequences()) {
            line("GRANT USAGE ON SEQUENCE " + sequence + " TO " + name);
        }
        publicRights(database);
        return script.toString();
    }

    private void line(String statement) {
        script.append(statement).append(";\n");
    }

    private String table(Table table) {
        return dialect.identifier(table.name().schema()) + "." + dialect.identifier(table.name().name());
    }

    /** The sequences that new rows take numbers from; those of identity columns need no right. */
    private Set<String> sequences() throws SQLException {
        Set<String> names = new LinkedHashSet<>();
        for (LoginRole.Grant grant : role.grants()) {
            for (Column column : grant.inserts() ? grant.table().columns() : List.<Column>of()) {
                if (column.identity() == Column.Identity.AUTO_INCREMENT) {
                    names.add(serialSequence(grant.table(), column));
                }
                Matcher matcher = SEQUENCE.matcher(column.defaultValue().map(DefaultValue::text).orElse(""));
                while (matcher.find()) {
                    names.add(matcher.group(1).replace("''", "'"));
                }
            }
        }
        return names;
    }

    private String serialSequence(Table table, Column column) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement("SELECT pg_get_serial_sequence(?, ?)")) {
            statement.setString(1, table(table));
            statement.setString(2, column.name());
            try (ResultSet row = statement.executeQuery()) {
                row.next();
                return row.getString(1);
            }
        }
    }

    /** What everyone may do, the role may do too; taking that away concerns others, and is left to the reader. */
    private void publicRights(String database) throws SQLException {
        List<String> statements = new ArrayList<>();
        try (Statement statement = connection.createStatement()) {
            if (answer(statement, "SELECT has_database_privilege('public', current_database(), 'TEMPORARY')")) {
                statements.add("REVOKE TEMPORARY ON DATABASE " + database + " FROM PUBLIC;");
            }
            if (answer(statement, "SELECT has_schema_privilege('public', "
                    + Dialect.quoteLiteral(schema.defaultSchema()) + ", 'CREATE')")) {
                statements.add("REVOKE CREATE ON SCHEMA " + dialect.identifier(schema.defaultSchema())
                        + " FROM PUBLIC;");
            }
        }
        if (!statements.isEmpty()) {
            script.append("\n-- Everyone may do these here, and so may the role. To take that away from everyone:\n");
            statements.forEach(statement -> script.append("-- ").append(statement).append('\n'));
        }
    }

    private static boolean answer(Statement statement, String question) throws SQLException {
        try (ResultSet row = statement.executeQuery(question)) {
            row.next();
            return row.getBoolean(1);
        }
    }
}
