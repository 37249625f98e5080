package dev.vinekit.engine.postgresql;

/**
 * The statements that read PostgreSQL's system catalogs (PostgreSQL manual, "System Catalogs"), each with the schemas'
 * names.
 */
final class PostgresqlStatements {
    static final String SCHEMAS = """
            SELECT nspname FROM pg_namespace WHERE nspname NOT LIKE 'pg\\_%' AND nspname <> 'information_schema'
            """;

    static final String TABLES = """
            SELECT n.nspname AS schema, c.relname AS name, cd.description AS comment, c.relkind AS kind,
                ARRAY(SELECT pn.nspname FROM pg_inherits h JOIN pg_class p ON p.oid = h.inhparent JOIN pg_namespace pn ON pn.oid = p.relnamespace
                    WHERE h.inhrelid = c.oid ORDER BY h.inhseqno)::text[] AS parent_schemas,
                ARRAY(SELECT p.relname FROM pg_inherits h JOIN pg_class p ON p.oid = h.inhparent
                    WHERE h.inhrelid = c.oid ORDER BY h.inhseqno)::text[] AS parents,
                CASE WHEN c.relkind IN ('v', 'm') THEN pg_get_viewdef(c.oid, true) END AS query,
                CASE WHEN c.relkind = 'p' THEN 'PARTITION BY ' || pg_get_partkeydef(c.oid) END AS options,
                pg_get_userbyid(c.relowner) AS owner,
                has_table_privilege(c.oid, 'SELECT') AS may_select, has_table_privilege(c.oid, 'INSERT') AS may_insert,
                has_table_privilege(c.oid, 'UPDATE') AS may_update, has_table_privilege(c.oid, 'DELETE') AS may_delete
            FROM pg_class c
            JOIN pg_namespace n ON n.oid = c.relnamespace
            LEFT JOIN pg_description cd ON cd.classoid = 'pg_class'::regclass AND cd.objoid = c.oid AND cd.objsubid = 0
            WHERE n.nspname = ANY (?) AND c.relkind IN ('r', 'p', 'v', 'm', 'f') AND NOT c.relispartition
            """;

    static final String COLUMNS = """
            SELECT n.nspname AS schema, c.relname AS name, a.attrelid AS relation, a.attnum AS number, a.attname AS column_name,
                COALESCE(b.typname, t.typname) AS type_name, COALESCE(b.typtype, t.typtype) AS type_kind,
                format_type(CASE WHEN t.typtype = 'd' THEN t.typbasetype ELSE a.atttypid END,
                    CASE WHEN t.typtype = 'd' THEN t.typtypmod ELSE a.atttypmod END) AS type_text,
                CASE WHEN t.typtype = 'd' THEN t.typtypmod ELSE a.atttypmod END AS modifier,
                CASE WHEN t.typtype = 'd' THEN format_type(t.oid, NULL) END AS domain,
                e.typname AS element_name, format_type(e.oid, CASE WHEN t.typtype = 'd' THEN t.typtypmod ELSE a.atttypmod END) AS element_text,
                e.typtype AS element_kind, a.attnotnull OR t.typnotnull AS required,
                a.attidentity AS identity, a.attgenerated AS generated,
                COALESCE(pg_get_expr(d.adbin, d.adrelid), t.typdefault) AS default_value,
                CASE WHEN a.attcollation <> t.typcollation THEN
                    (SELECT quote_ident(cn.nspname) || '.' || quote_ident(co.collname) FROM pg_collation co
                        JOIN pg_namespace cn ON cn.oid = co.collnamespace WHERE co.oid = a.attcollation) END AS collation,
                cd.description AS comment,
                CASE WHEN 'e' IN (COALESCE(b.typtype, t.typtype), e.typtype) THEN
                    ARRAY(SELECT l.enumlabel FROM pg_enum l WHERE l.enumtypid = COALESCE(e.oid, b.oid, t.oid)
                        ORDER BY l.enumsortorder) END AS labels
            FROM pg_attribute a
            JOIN pg_class c ON c.oid = a.attrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            JOIN pg_type t ON t.oid = a.atttypid
            LEFT JOIN pg_type b ON t.typtype = 'd' AND b.oid = t.typbasetype
            LEFT JOIN pg_type e ON e.oid = COALESCE(b.typelem, t.typelem) AND COALESCE(b.typlen, t.typlen) = -1
                AND COALESCE(b.typcategory, t.typcategory) = 'A'
            LEFT JOIN pg_attrdef d ON a.atthasdef AND d.adrelid = a.attrelid AND d.adnum = a.attnum
            LEFT JOIN pg_description cd ON cd.classoid = 'pg_class'::regclass AND cd.objoid = a.attrelid AND cd.objsubid = a.attnum
            WHERE n.nspname = ANY (?) AND c.relkind IN ('r', 'p', 'v', 'm', 'f') AND a.attnum > 0 AND NOT a.attisdropped
            ORDER BY a.attnum
            """;

    /** Whether a sequence is otherwise than one that nothing is said about (PostgreSQL manual, CREATE SEQUENCE). */
    static final String ODD_SEQUENCE = """
            (q.seqstart <> 1 OR q.seqincrement <> 1 OR q.seqmin <> 1 OR q.seqcache <> 1 OR q.seqcycle
                OR q.seqmax <> CASE q.seqtypid WHEN 'int2'::regtype THEN 32767 WHEN 'int4'::regtype THEN 2147483647
                    ELSE 9223372036854775807 END)""";

    /** Whether a column and the sequence that it owns are what the type serial makes. */
    static final String PLAIN_SERIAL = """
            s.relnamespace = c.relnamespace AND s.relname = c.relname || '_' || a.attname || '_seq' AND q.seqtypid = a.atttypid
                AND NOT @ODD AND a.attnotnull AND EXISTS (SELECT FROM pg_attrdef ad
                    JOIN pg_depend u ON u.classid = 'pg_attrdef'::regclass AND u.objid = ad.oid AND u.refobjid = s.oid
                    WHERE ad.adrelid = c.oid AND ad.adnum = a.attnum AND pg_get_expr(ad.adbin, ad.adrelid) LIKE 'nextval(%)')"""
            .replace("@ODD", ODD_SEQUENCE);

    static final String SERIALS = """
            SELECT o.refobjid AS relation, o.refobjsubid AS number, @SERIAL AS plain
            FROM pg_sequence q
            CROSS JOIN LATERAL (SELECT refobjid, refobjsubid FROM pg_depend
                WHERE classid = 'pg_class'::regclass AND objid = q.seqrelid AND refclassid = 'pg_class'::regclass AND deptype = 'a' OFFSET 0) o
            JOIN pg_class s ON s.oid = q.seqrelid
            JOIN pg_class c ON c.oid = o.refobjid
            JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = o.refobjsubid
            JOIN pg_attrdef d ON d.adrelid = c.oid AND d.adnum = a.attnum
            WHERE EXISTS (SELECT FROM pg_depend u WHERE u.classid = 'pg_attrdef'::regclass AND u.objid = d.oid AND u.refobjid = s.oid)
            """.replace("@SERIAL", PLAIN_SERIAL);

    static final String CONSTRAINTS = """
            SELECT n.nspname AS schema, c.relname AS name, k.conname AS constraint_name, k.contype AS kind,
                k.conrelid AS relation, k.conkey AS columns, k.conindid AS index,
                k.confrelid AS target, k.confkey AS target_columns,
                fn.nspname AS target_schema, f.relname AS target_name,
                CASE WHEN k.contype = 'f' AND fn.nspname <> n.nspname THEN
                    ARRAY(SELECT a.attname FROM unnest(k.confkey) WITH ORDINALITY u (num, place)
                        JOIN pg_attribute a ON a.attrelid = k.confrelid AND a.attnum = u.num ORDER BY u.place)
                    END AS far_columns,
                CASE WHEN k.contype = 'c' THEN pg_get_expr(k.conbin, k.conrelid) END AS expression,
                CASE WHEN k.contype IN ('u', 'x') OR k.contype = 'f' AND (k.confmatchtype = 'f' OR to_jsonb(k) ->> 'confdelsetcols' IS NOT NULL)
                    THEN replace(pg_get_constraintdef(k.oid), ' NOT VALID', '') END AS definition,
                k.confdeltype AS on_delete, k.confupdtype AS on_update,
                k.condeferrable AS can_wait, k.condeferred AS waits
            FROM pg_constraint k
            JOIN pg_class c ON c.oid = k.conrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            LEFT JOIN pg_class f ON f.oid = k.confrelid
            LEFT JOIN pg_namespace fn ON fn.oid = f.relnamespace
            WHERE n.nspname = ANY (?) AND k.contype IN ('p', 'u', 'f', 'c', 'x') AND NOT c.relispartition
                AND k.conparentid = 0
            ORDER BY k.conname
            """;

    static final String DOMAINS = """
            SELECT format_type(t.oid, NULL) AS domain, b.typname AS type_name, b.typtype AS type_kind,
                format_type(t.typbasetype, t.typtypmod) AS type_text, t.typtypmod AS modifier,
                e.typname AS element_name, format_type(e.oid, t.typtypmod) AS element_text, e.typtype AS element_kind,
                t.typnotnull AS required, t.typdefault AS default_value,
                (SELECT quote_ident(cn.nspname) || '.' || quote_ident(co.collname) FROM pg_collation co
                    JOIN pg_namespace cn ON cn.oid = co.collnamespace WHERE co.oid = t.typcollation AND t.typcollation <> b.typcollation) AS collation,
                ARRAY(SELECT l.enumlabel FROM pg_enum l WHERE l.enumtypid = COALESCE(e.oid, b.oid) ORDER BY l.enumsortorder) AS labels,
                k.conname AS constraint_name, pg_get_constraintdef(k.oid) AS definition
            FROM pg_type t
            JOIN pg_type b ON b.oid = t.typbasetype
            LEFT JOIN pg_type e ON e.oid = b.typelem AND b.typlen = -1 AND b.typcategory = 'A'
            LEFT JOIN pg_constraint k ON k.contypid = t.oid AND k.contype = 'c'
            WHERE t.typtype = 'd' AND t.typnamespace <> 'information_schema'::regnamespace AND EXISTS (SELECT FROM pg_attribute a
                JOIN pg_class c ON c.oid = a.attrelid AND c.relkind IN ('r', 'p', 'f')
                JOIN pg_namespace n ON n.oid = c.relnamespace
                WHERE a.atttypid = t.oid AND NOT a.attisdropped AND n.nspname = ANY (?))
            ORDER BY 1, k.conname
            """;

    static final String SEQUENCES = """
            SELECT n.nspname AS schema, s.relname AS name, q.seqstart AS first, q.seqincrement AS step,
                CASE WHEN q.seqtypid = 'int8'::regtype THEN '' ELSE ' AS ' || format_type(q.seqtypid, NULL) END
                || CASE WHEN @ODD THEN ' MINVALUE ' || q.seqmin || ' MAXVALUE ' || q.seqmax || ' CACHE ' || q.seqcache
                    || CASE WHEN q.seqcycle THEN ' CYCLE' ELSE '' END ELSE '' END AS options
            FROM pg_sequence q
            JOIN pg_class s ON s.oid = q.seqrelid
            JOIN pg_namespace n ON n.oid = s.relnamespace
            WHERE n.nspname = ANY (?)
                AND NOT EXISTS (SELECT FROM (SELECT refobjid, refobjsubid, deptype FROM pg_depend
                        WHERE classid = 'pg_class'::regclass AND objid = s.oid OFFSET 0) o
                    LEFT JOIN pg_class c ON o.deptype = 'a' AND c.oid = o.refobjid
                    LEFT JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = o.refobjsubid
                    WHERE o.deptype IN ('i', 'e') OR o.deptype = 'a' AND @SERIAL)
            ORDER BY n.nspname, s.relname
            """.replace("@ODD", ODD_SEQUENCE).replace("@SERIAL", PLAIN_SERIAL);

    /** A plain index has columns and nothing else: usual order, operators and collation, all rows (pg_index). */
    static final String INDEXES = """
            SELECT n.nspname AS schema, c.relname AS name, x.relname AS index_name, i.indexrelid AS index,
                i.indrelid AS relation, i.indisunique AS is_unique, i.indkey::int2[] AS columns,
                CASE WHEN i.indisunique OR NOT (i.indexprs IS NULL AND i.indpred IS NULL AND i.indnatts = i.indnkeyatts
                        AND m.amname = 'btree' AND x.reloptions IS NULL AND i.indoption::int2[] <@ '{0}'::int2[]
                        AND i.indcollation::oid[] <@ '{0,100}'::oid[]
                        AND NOT i.indclass::oid[] && (SELECT array_agg(o.oid) FROM pg_opclass o WHERE NOT o.opcdefault))
                    THEN pg_get_indexdef(i.indexrelid) END AS definition
            FROM pg_index i
            JOIN pg_class x ON x.oid = i.indexrelid
            JOIN pg_am m ON m.oid = x.relam
            JOIN pg_class c ON c.oid = i.indrelid
            JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE n.nspname = ANY (?) AND c.relkind IN ('r', 'p', 'm') AND NOT c.relispartition
            ORDER BY x.relname
            """;

    private PostgresqlStatements() {
    }
}
