package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Catalog;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.TableName;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads what PostgreSQL tells as statements: extensions, types, functions, triggers, and what is set on tables. */
final class PostgresqlObjects {
    /** What belongs to an extension comes with it, and is not told. */
    private static final String OWN = """
            NOT EXISTS (SELECT FROM pg_depend own WHERE own.classid = '%1$s'::regclass AND own.objid = %2$s AND own.deptype IN ('e', 'i'))
            """;

    /** Extensions of which something is used: by a dependency that is kept, or by name in the text of a function. */
    private static final String EXTENSIONS = """
            SELECT 'EXTENSION' AS kind, '' AS schema, e.extname AS name, NULL AS on_schema, NULL AS on_name,
                CASE WHEN n.nspname IN ('public', 'pg_catalog') THEN ''
                    ELSE 'CREATE SCHEMA IF NOT EXISTS ' || quote_ident(n.nspname) || E';\\n' END
                    || 'CREATE EXTENSION IF NOT EXISTS ' || quote_ident(e.extname) || ' SCHEMA ' || quote_ident(n.nspname) AS definition,
                NULL::text[] AS needed_schemas, NULL::text[] AS needed_names
            FROM pg_extension e
            JOIN pg_namespace n ON n.oid = e.extnamespace
            WHERE e.extname <> 'plpgsql' AND (EXISTS (
                SELECT FROM pg_depend m
                JOIN pg_depend u ON u.refclassid = m.classid AND u.refobjid = m.objid AND u.deptype = 'n'
                WHERE m.refclassid = 'pg_extension'::regclass AND m.refobjid = e.oid AND m.deptype = 'e'
                    AND NOT EXISTS (SELECT FROM pg_depend x WHERE x.classid = u.classid AND x.objid = u.objid AND x.deptype = 'e')
            ) OR EXISTS (
                SELECT FROM pg_depend m
                JOIN pg_proc f ON m.classid = 'pg_proc'::regclass AND f.oid = m.objid
                JOIN pg_proc p ON p.prosrc LIKE '%' || f.proname || '(%'
                JOIN pg_namespace pn ON pn.oid = p.pronamespace AND pn.nspname = ANY (?)
                WHERE m.refclassid = 'pg_extension'::regclass AND m.refobjid = e.oid AND m.deptype = 'e'
                    AND NOT EXISTS (SELECT FROM pg_depend x WHERE x.classid = 'pg_proc'::regclass AND x.objid = p.oid
                        AND x.deptype = 'e')
            ))
            """;

    private static final String TYPES = """
            SELECT 'TYPE', n.nspname, t.typname, NULL, NULL,
                'CREATE TYPE ' || quote_ident(n.nspname) || '.' || quote_ident(t.typname) || ' AS ' || CASE t.typtype
                    WHEN 'e' THEN 'ENUM (' || COALESCE((SELECT string_agg(quote_literal(l.enumlabel), ', ' ORDER BY l.enumsortorder)
                        FROM pg_enum l WHERE l.enumtypid = t.oid), '') || ')'
                    WHEN 'r' THEN (SELECT 'RANGE (SUBTYPE = ' || format_type(r.rngsubtype, NULL)
                            || CASE WHEN r.rngsubdiff <> 0 THEN ', SUBTYPE_DIFF = ' || r.rngsubdiff::regproc ELSE '' END || ')'
                        FROM pg_range r WHERE r.rngtypid = t.oid)
                    ELSE '(' || (SELECT string_agg(quote_ident(a.attname) || ' ' || format_type(a.atttypid, a.atttypmod), ', '
                        ORDER BY a.attnum) FROM pg_attribute a WHERE a.attrelid = t.typrelid AND a.attnum > 0 AND NOT a.attisdropped) || ')'
                    END,
                NULL, NULL
            FROM pg_type t
            JOIN pg_namespace n ON n.oid = t.typnamespace
            LEFT JOIN pg_class c ON c.oid = t.typrelid
            WHERE n.nspname = ANY (?) AND (t.typtype = 'r' OR t.typtype = 'c' AND c.relkind = 'c' OR t.typtype = 'e'
                AND NOT EXISTS (SELECT FROM pg_attribute u JOIN pg_class uc ON uc.oid = u.attrelid AND uc.relkind IN ('r', 'p', 'v', 'm', 'f')
                    JOIN pg_namespace un ON un.oid = uc.relnamespace AND un.nspname = ANY (?)
                    WHERE u.atttypid = t.oid AND NOT u.attisdropped)
                AND NOT EXISTS (SELECT FROM pg_type d JOIN pg_attribute u ON u.atttypid = d.oid WHERE d.typbasetype = t.oid))
                AND\s""" + OWN.formatted("pg_type", "t.oid");

    private static final String FUNCTIONS = """
            SELECT 'FUNCTION', n.nspname, p.proname || '(' || pg_get_function_identity_arguments(p.oid) || ')', NULL, NULL,
                rtrim(pg_get_functiondef(p.oid), E'\\n'), needs.schemas, needs.names
            FROM pg_proc p
            JOIN pg_namespace n ON n.oid = p.pronamespace
            JOIN pg_language l ON l.oid = p.prolang AND l.lanname NOT IN ('c', 'internal')
            CROSS JOIN LATERAL (
                SELECT array_agg(tn.nspname::text) AS schemas, array_agg(tc.relname::text) AS names
                FROM pg_class tc
                JOIN pg_namespace tn ON tn.oid = tc.relnamespace
                WHERE tc.relkind IN ('r', 'p', 'v', 'm', 'f') AND EXISTS (SELECT FROM pg_depend d
                    WHERE d.classid = 'pg_proc'::regclass AND d.objid = p.oid
                        AND (d.refclassid = 'pg_class'::regclass AND d.refobjid = tc.oid
                            OR d.refclassid = 'pg_type'::regclass AND d.refobjid = tc.reltype
                            OR d.refclassid = 'pg_type'::regclass AND EXISTS (
                                SELECT FROM pg_type a WHERE a.oid = d.refobjid AND a.typelem = tc.reltype)))
            ) needs
            WHERE n.nspname = ANY (?) AND p.prokind IN ('f', 'p') AND\s""" + OWN.formatted("pg_proc", "p.oid");

    /** Operators, casts, aggregates and collations, of which few schemas have any. */
    private static final String RARE = """
            SELECT 'OPERATOR', n.nspname, o.oprname || ' (' || format_type(o.oprleft, NULL) || ', ' || format_type(o.oprright, NULL) || ')', NULL, NULL,
                'CREATE OPERATOR ' || quote_ident(n.nspname) || '.' || o.oprname || ' (FUNCTION = ' || o.oprcode::regproc
                || CASE WHEN o.oprleft <> 0 THEN ', LEFTARG = ' || format_type(o.oprleft, NULL) ELSE '' END
                || CASE WHEN o.oprright <> 0 THEN ', RIGHTARG = ' || format_type(o.oprright, NULL) ELSE '' END
                || CASE WHEN o.oprcom <> 0 THEN ', COMMUTATOR = OPERATOR(' || (SELECT quote_ident(cn.nspname) || '.' || c.oprname FROM pg_operator c
                    JOIN pg_namespace cn ON cn.oid = c.oprnamespace WHERE c.oid = o.oprcom) || ')' ELSE '' END
                || CASE WHEN o.oprnegate <> 0 THEN ', NEGATOR = OPERATOR(' || (SELECT quote_ident(cn.nspname) || '.' || c.oprname FROM pg_operator c
                    JOIN pg_namespace cn ON cn.oid = c.oprnamespace WHERE c.oid = o.oprnegate) || ')' ELSE '' END
                || CASE WHEN o.oprrest <> 0 THEN ', RESTRICT = ' || o.oprrest::regproc ELSE '' END
                || CASE WHEN o.oprjoin <> 0 THEN ', JOIN = ' || o.oprjoin::regproc ELSE '' END
                || CASE WHEN o.oprcanhash THEN ', HASHES' ELSE '' END || CASE WHEN o.oprcanmerge THEN ', MERGES' ELSE '' END || ')', NULL, NULL
            FROM pg_operator o
            JOIN pg_namespace n ON n.oid = o.oprnamespace
            WHERE n.nspname = ANY (?) AND o.oprcode <> 0 AND @OPERATOR
            UNION ALL
            SELECT 'CAST', '', format_type(k.castsource, NULL) || ' AS ' || format_type(k.casttarget, NULL), NULL, NULL,
                'CREATE CAST (' || format_type(k.castsource, NULL) || ' AS ' || format_type(k.casttarget, NULL) || ') '
                || CASE k.castmethod WHEN 'f' THEN 'WITH FUNCTION ' || k.castfunc::regprocedure WHEN 'i' THEN 'WITH INOUT' ELSE 'WITHOUT FUNCTION' END
                || CASE k.castcontext WHEN 'a' THEN ' AS ASSIGNMENT' WHEN 'i' THEN ' AS IMPLICIT' ELSE '' END, NULL, NULL
            FROM pg_cast k
            WHERE k.oid >= 16384 AND @CAST
            UNION ALL
            SELECT 'AGGREGATE', n.nspname, p.proname || '(' || pg_get_function_identity_arguments(p.oid) || ')', NULL, NULL,
                'CREATE AGGREGATE ' || quote_ident(n.nspname) || '.' || quote_ident(p.proname) || '(' || CASE WHEN p.pronargs = 0 THEN '*'
                    ELSE pg_get_function_identity_arguments(p.oid) END || ') (SFUNC = ' || g.aggtransfn::regproc || ', STYPE = ' || format_type(g.aggtranstype, NULL)
                || CASE WHEN g.aggfinalfn <> 0 THEN ', FINALFUNC = ' || g.aggfinalfn::regproc ELSE '' END
                || CASE WHEN g.aggcombinefn <> 0 THEN ', COMBINEFUNC = ' || g.aggcombinefn::regproc ELSE '' END
                || COALESCE(', INITCOND = ' || quote_literal(g.agginitval), '') || CASE p.proparallel WHEN 's' THEN ', PARALLEL = safe'
                    WHEN 'r' THEN ', PARALLEL = restricted' ELSE '' END || ')', NULL, NULL
            FROM pg_aggregate g
            JOIN pg_proc p ON p.oid = g.aggfnoid
            JOIN pg_namespace n ON n.oid = p.pronamespace
            WHERE n.nspname = ANY (?) AND g.aggkind = 'n' AND @AGGREGATE
            UNION ALL
            SELECT 'COLLATION', n.nspname, l.collname, NULL, NULL,
                'CREATE COLLATION ' || quote_ident(n.nspname) || '.' || quote_ident(l.collname) || ' (provider = ' || CASE l.collprovider
                    WHEN 'i' THEN 'icu, locale = ' || quote_literal(l.colllocale) WHEN 'b' THEN 'builtin, locale = ' || quote_literal(l.colllocale)
                    ELSE 'libc, lc_collate = ' || quote_literal(l.collcollate) || ', lc_ctype = ' || quote_literal(l.collctype) END
                || CASE WHEN l.collisdeterministic THEN '' ELSE ', deterministic = false' END
                || COALESCE(', rules = ' || quote_literal(l.collicurules), '') || ')', NULL, NULL
            FROM (SELECT c.oid, c.collname, c.collnamespace, c.collprovider, c.collisdeterministic, c.collcollate, c.collctype,
                to_jsonb(c) ->> 'collicurules' AS collicurules, COALESCE(to_jsonb(c) ->> 'colllocale', to_jsonb(c) ->> 'colliculocale') AS colllocale
                FROM pg_collation c) l
            JOIN pg_namespace n ON n.oid = l.collnamespace
            WHERE n.nspname = ANY (?) AND l.oid >= 16384 AND @COLLATION
            """.replace("@OPERATOR", OWN.formatted("pg_operator", "o.oid")).replace("@CAST", OWN.formatted("pg_cast", "k.oid"))
            .replace("@AGGREGATE", OWN.formatted("pg_proc", "p.oid"))
            .replace("@COLLATION", OWN.formatted("pg_collation", "l.oid"));

    private static final String TRIGGERS = """
            SELECT 'TRIGGER', n.nspname, c.relname || '.' || t.tgname, n.nspname, c.relname,
                pg_get_triggerdef(t.oid) || CASE t.tgenabled WHEN 'O' THEN '' ELSE E';\\nALTER TABLE ' || quote_ident(n.nspname) || '.'
                    || quote_ident(c.relname) || CASE t.tgenabled WHEN 'D' THEN ' DISABLE' WHEN 'A' THEN ' ENABLE ALWAYS' ELSE ' ENABLE REPLICA' END
                    || ' TRIGGER ' || quote_ident(t.tgname) END, NULL, NULL
            FROM pg_trigger t
            JOIN pg_class c ON c.oid = t.tgrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND NOT t.tgisinternal AND t.tgparentid = 0 AND NOT c.relispartition
            UNION ALL
            SELECT 'RULE', n.nspname, c.relname || '.' || r.rulename, n.nspname, c.relname, rtrim(pg_get_ruledef(r.oid), ';'), NULL, NULL
            FROM pg_rewrite r
            JOIN pg_class c ON c.oid = r.ev_class
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND r.rulename <> '_RETURN'
            UNION ALL
            SELECT 'POLICY', n.nspname, c.relname || '.' || p.polname, n.nspname, c.relname,
                'CREATE POLICY ' || quote_ident(p.polname) || ' ON ' || quote_ident(n.nspname) || '.' || quote_ident(c.relname)
                || CASE WHEN p.polpermissive THEN '' ELSE ' AS RESTRICTIVE' END
                || CASE p.polcmd WHEN 'r' THEN ' FOR SELECT' WHEN 'a' THEN ' FOR INSERT' WHEN 'w' THEN ' FOR UPDATE' WHEN 'd' THEN ' FOR DELETE' ELSE '' END
                || COALESCE(' USING (' || pg_get_expr(p.polqual, p.polrelid) || ')', '')
                || COALESCE(' WITH CHECK (' || pg_get_expr(p.polwithcheck, p.polrelid) || ')', ''), NULL, NULL
            FROM pg_policy p
            JOIN pg_class c ON c.oid = p.polrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND p.polroles = '{0}'
            UNION ALL
            SELECT 'STATISTICS', n.nspname, s.stxname, cn.nspname, c.relname, pg_get_statisticsobjdef(s.oid), NULL, NULL
            FROM pg_statistic_ext s
            JOIN pg_namespace n ON n.oid = s.stxnamespace
            JOIN pg_class c ON c.oid = s.stxrelid
            JOIN pg_namespace cn ON cn.oid = c.relnamespace
            WHERE cn.nspname = ANY (?)
            """;

    /** What ALTER says of tables, views, indexes and columns beyond their definitions. */
    private static final String SETTINGS = """
            SELECT 'SETTING', n.nspname, c.relname || what.name, n.nspname, c.relname, what.definition, NULL, NULL
            FROM pg_class c
            JOIN pg_namespace n ON n.oid = c.relnamespace
            CROSS JOIN LATERAL (SELECT quote_ident(n.nspname) || '.' || quote_ident(c.relname) AS it) self
            CROSS JOIN LATERAL (
                SELECT '' AS name, 'ALTER TABLE ' || it || ' SET UNLOGGED' AS definition WHERE c.relpersistence = 'u' AND c.relkind = 'r'
                UNION ALL
                SELECT ' options', 'ALTER ' || CASE c.relkind WHEN 'v' THEN 'VIEW ' WHEN 'm' THEN 'MATERIALIZED VIEW ' ELSE 'TABLE ' END || it
                    || ' SET (' || array_to_string(c.reloptions, ', ') || ')' WHERE c.reloptions IS NOT NULL
                UNION ALL
                SELECT ' row security', 'ALTER TABLE ' || it || ' ENABLE ROW LEVEL SECURITY' WHERE c.relrowsecurity
                UNION ALL
                SELECT ' row security forced', 'ALTER TABLE ' || it || ' FORCE ROW LEVEL SECURITY' WHERE c.relforcerowsecurity
                UNION ALL
                SELECT ' replica identity', 'ALTER TABLE ' || it || ' REPLICA IDENTITY ' || CASE c.relreplident WHEN 'f' THEN 'FULL' WHEN 'n' THEN 'NOTHING'
                    ELSE 'USING INDEX ' || (SELECT quote_ident(x.relname) FROM pg_index i JOIN pg_class x ON x.oid = i.indexrelid
                        WHERE i.indrelid = c.oid AND i.indisreplident) END
                    WHERE c.relreplident <> 'd' AND c.relkind IN ('r', 'p')
            ) what
            WHERE n.nspname = ANY (?) AND c.relkind IN ('r', 'p', 'v', 'm') AND NOT c.relispartition
            UNION ALL
            SELECT 'SETTING', n.nspname, c.relname || ' cluster', n.nspname, c.relname,
                'ALTER TABLE ' || quote_ident(n.nspname) || '.' || quote_ident(c.relname) || ' CLUSTER ON ' || quote_ident(x.relname), NULL, NULL
            FROM pg_index i
            JOIN pg_class x ON x.oid = i.indexrelid
            JOIN pg_class c ON c.oid = i.indrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND i.indisclustered AND NOT c.relispartition
            UNION ALL
            SELECT 'SETTING', n.nspname, c.relname || ' index ' || x.relname, n.nspname, c.relname,
                'ALTER INDEX ' || quote_ident(n.nspname) || '.' || quote_ident(x.relname) || ' SET (' || array_to_string(x.reloptions, ', ') || ')', NULL, NULL
            FROM pg_class x
            JOIN pg_constraint k ON k.conindid = x.oid AND k.contype IN ('p', 'u')
            JOIN pg_class c ON c.oid = k.conrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND x.relkind = 'i' AND x.reloptions IS NOT NULL AND NOT c.relispartition
            UNION ALL
            SELECT 'SETTING', n.nspname, c.relname || ' ' || a.attname || s.name, n.nspname, c.relname,
                'ALTER TABLE ' || quote_ident(n.nspname) || '.' || quote_ident(c.relname) || ' ALTER COLUMN ' || quote_ident(a.attname) || s.change, NULL, NULL
            FROM pg_attribute a
            JOIN pg_type t ON t.oid = a.atttypid
            JOIN pg_class c ON c.oid = a.attrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            CROSS JOIN LATERAL (
                SELECT ' storage' AS name, ' SET STORAGE ' || CASE a.attstorage WHEN 'p' THEN 'PLAIN' WHEN 'e' THEN 'EXTERNAL'
                    WHEN 'm' THEN 'MAIN' ELSE 'EXTENDED' END AS change WHERE a.attstorage <> t.typstorage
                UNION ALL
                SELECT ' statistics', ' SET STATISTICS ' || a.attstattarget WHERE a.attstattarget > -1
                UNION ALL
                SELECT ' options', ' SET (' || array_to_string(a.attoptions, ', ') || ')' WHERE a.attoptions IS NOT NULL
            ) s
            WHERE n.nspname = ANY (?) AND a.attnum > 0 AND NOT a.attisdropped AND c.relkind IN ('r', 'p') AND NOT c.relispartition
                AND (a.attstorage <> t.typstorage OR a.attstattarget > -1 OR a.attoptions IS NOT NULL)
            UNION ALL
            SELECT 'SETTING', n.nspname, c.relname || ' ' || a.attname || ' numbers', n.nspname, c.relname,
                'ALTER TABLE ' || quote_ident(n.nspname) || '.' || quote_ident(c.relname) || ' ALTER COLUMN ' || quote_ident(a.attname)
                    || ' SET START WITH ' || q.seqstart || ' SET INCREMENT BY ' || q.seqincrement
                    || ' SET MINVALUE ' || q.seqmin || ' SET MAXVALUE ' || q.seqmax || ' SET CACHE ' || q.seqcache
                    || CASE WHEN q.seqcycle THEN ' SET CYCLE' ELSE '' END || ' RESTART', NULL, NULL
            FROM pg_sequence q
            JOIN pg_depend d ON d.classid = 'pg_class'::regclass AND d.objid = q.seqrelid AND d.refclassid = 'pg_class'::regclass AND d.deptype = 'i'
            JOIN pg_class c ON c.oid = d.refobjid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = d.refobjsubid AND a.attidentity <> ''
            WHERE n.nspname = ANY (?) AND @ODD AND NOT c.relispartition
            UNION ALL
            SELECT 'SETTING', sn.nspname, s.relname || ' owner', cn.nspname, c.relname,
                'ALTER SEQUENCE ' || quote_ident(sn.nspname) || '.' || quote_ident(s.relname) || ' OWNED BY '
                    || quote_ident(cn.nspname) || '.' || quote_ident(c.relname) || '.' || quote_ident(a.attname), NULL, NULL
            FROM pg_sequence q
            CROSS JOIN LATERAL (SELECT refobjid, refobjsubid FROM pg_depend
                WHERE classid = 'pg_class'::regclass AND objid = q.seqrelid AND refclassid = 'pg_class'::regclass AND deptype = 'a' OFFSET 0) d
            JOIN pg_class s ON s.oid = q.seqrelid
            JOIN pg_namespace sn ON sn.oid = s.relnamespace
            JOIN pg_class c ON c.oid = d.refobjid
            JOIN pg_namespace cn ON cn.oid = c.relnamespace
            JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = d.refobjsubid
            WHERE cn.nspname = ANY (?) AND NOT (@SERIAL)
            """.replace("@ODD", PostgresqlStatements.ODD_SEQUENCE).replace("@SERIAL", PostgresqlStatements.PLAIN_SERIAL);

    /** Comments on anything but tables and columns, by the words of pg_identify_object. */
    private static final String COMMENTS = """
            SELECT 'COMMENT', i.schema, i.type || ' ' || i.identity, NULL, NULL,
                'COMMENT ON ' || upper(replace(replace(i.type, 'table constraint', 'constraint'), 'statistics object', 'statistics')) || ' '
                    || CASE i.type WHEN 'domain constraint' THEN replace(i.identity, ' on ', ' ON DOMAIN ') ELSE i.identity END
                    || ' IS ' || quote_literal(d.description), NULL, NULL
            FROM pg_description d
            CROSS JOIN LATERAL pg_identify_object(d.classoid, d.objoid, d.objsubid) i
            LEFT JOIN pg_namespace n ON n.nspname = i.schema
            WHERE d.objsubid = 0 AND d.objoid >= 16384
                AND i.type IN ('index', 'sequence', 'function', 'procedure', 'type', 'table constraint', 'trigger', 'rule', 'policy',
                    'statistics object', 'domain constraint')
                AND COALESCE(i.schema, (SELECT cn.nspname FROM pg_constraint k JOIN pg_namespace cn ON cn.oid = k.connamespace
                        WHERE d.classoid = 'pg_constraint'::regclass AND k.oid = d.objoid),
                    (SELECT tn.nspname FROM pg_trigger g JOIN pg_class tc ON tc.oid = g.tgrelid JOIN pg_namespace tn ON tn.oid = tc.relnamespace
                        WHERE d.classoid = 'pg_trigger'::regclass AND g.oid = d.objoid)) = ANY (?)
                AND NOT EXISTS (SELECT FROM pg_depend own WHERE own.classid = d.classoid AND own.objid = d.objoid AND own.deptype = 'e')
            """;

    private PostgresqlObjects() {
    }

    /** In two statements, whatever there is. */
    static List<SchemaObject> of(Catalog catalog) throws SQLException {
        List<SchemaObject> objects = new ArrayList<>();
        catalog.each(EXTENSIONS + "UNION ALL\n" + TYPES + "UNION ALL\n" + FUNCTIONS + "UNION ALL\n" + RARE,
                row -> objects.add(object(row)));
        catalog.each("SELECT * FROM (" + TRIGGERS + "UNION ALL\n" + SETTINGS + "UNION ALL\n" + COMMENTS
                + ") every (kind, schema, name, on_schema, on_name, definition, needed_schemas, needed_names)",
                row -> objects.add(object(row)));
        return objects;
    }

    private static SchemaObject object(ResultSet row) throws SQLException {
        List<TableName> needs = new ArrayList<>();
        Optional<TableName> on = Optional.ofNullable(row.getString("on_name")).isEmpty() ? Optional.empty()
                : Optional.of(new TableName(row.getString("on_schema"), row.getString("on_name")));
        on.ifPresent(needs::add);
        if (row.getArray("needed_names") != null) {
            List<String> schemas = Catalog.strings(row.getArray("needed_schemas"));
            List<String> names = Catalog.strings(row.getArray("needed_names"));
            for (int i = 0; i < names.size(); i++) {
                needs.add(new TableName(schemas.get(i), names.get(i)));
            }
        }
        return new SchemaObject(SchemaObject.Kind.valueOf(row.getString("kind")),
                new TableName(Catalog.text(row.getString("schema")), row.getString("name")), on,
                row.getString("definition"),
                needs.stream().sorted().distinct().toList());
    }
}
