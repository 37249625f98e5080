package dev.vinekit.example.hsqldb;

import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDialect;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import org.hsqldb.Tokens;

/** Standard SQL, as far as HSQLDB follows it, which is nearly all the way. */
final class HsqldbDialect extends StandardDialect {
    /** HSQLDB remembers quotes in conditions and queries, so that there are none that are not needed. */
    @Override
    public String identifier(String name) {
        return name.matches("[A-Z][A-Z0-9_]*") && !Tokens.isKeyword(name) ? name : Dialect.quoteIdentifier(name);
    }

    /** A constraint without a name gets one with a number that counts within the database. */
    @Override
    public boolean isEnginesOwn(String constraint) {
        return constraint.startsWith("SYS_");
    }

    @Override
    public String definition(Schema schema) {
        return new HsqldbDefinition(this, schema).script();
    }

    @Override
    public ChangeScript changes(SchemaDifference difference) {
        return new StandardChanges(this, difference, new HsqldbDefinition(this, difference.after())).script();
    }

    @Override
    public boolean reportsKeys() {
        return true;
    }
}
