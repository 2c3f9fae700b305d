"""Queries that give the definitions of a database's objects as statements, in an order in which they can be made.

Each row is one statement without its semicolon; `search_path` must be empty, so that names are qualified. Sources:
PostgreSQL documentation, "System Catalogs", "System Catalog Information Functions", "SQL Commands".
"""

from __future__ import annotations

from sospes.sides.postgresql.objects import USERS, free


def _named(row: str, name: str) -> str:
    return f"format('%I.%I', n.nspname, {row}.{name})"


_IN_SCHEMA = "JOIN pg_namespace n ON n.oid ="
_TABLE = f"pg_class c {_IN_SCHEMA} c.relnamespace"
_OF_TABLES = f"{USERS} AND {free('pg_class', 'c.oid')} AND c.relpersistence <> 't'"
_NAME = _named("c", "relname")

_SCHEMAS = f"""
SELECT format('CREATE SCHEMA %I', n.nspname) FROM pg_namespace n
WHERE {USERS} AND n.nspname <> 'public' AND {free("pg_namespace", "n.oid")} ORDER BY n.oid
"""
_EXTENSIONS = f"""
SELECT format('CREATE EXTENSION IF NOT EXISTS %I WITH SCHEMA %I', e.extname, n.nspname)
FROM pg_extension e {_IN_SCHEMA} e.extnamespace WHERE e.extname <> 'plpgsql' ORDER BY e.oid
"""
_COLLATIONS = f"""
SELECT format('CREATE COLLATION %s (provider = %s, deterministic = %s, %s)', {_named("y", "collname")},
  CASE y.collprovider WHEN 'i' THEN 'icu' WHEN 'b' THEN 'builtin' ELSE 'libc' END, y.collisdeterministic,
  CASE WHEN y.collprovider = 'c' AND y.collcollate <> y.collctype
    THEN format('lc_collate = %L, lc_ctype = %L', y.collcollate, y.collctype)
    ELSE format('locale = %L', COALESCE(to_jsonb(y)->>'colllocale', to_jsonb(y)->>'colliculocale', y.collcollate)) END)
FROM pg_collation y {_IN_SCHEMA} y.collnamespace WHERE {USERS} AND {free("pg_collation", "y.oid")} ORDER BY y.oid
"""
_TYPES_AND_ROUTINES = f"""
SELECT text FROM (
  SELECT y.oid, format('CREATE TYPE %s AS ENUM (%s)', {_named("y", "typname")},
    (SELECT string_agg(quote_literal(l.enumlabel), ', ' ORDER BY l.enumsortorder) FROM pg_enum l
     WHERE l.enumtypid = y.oid)) AS text
  FROM pg_type y {_IN_SCHEMA} y.typnamespace WHERE y.typtype = 'e' AND {USERS} AND {free("pg_type", "y.oid")}
  UNION ALL
  SELECT y.oid, format('CREATE TYPE %s AS (%s)', {_named("y", "typname")},
    (SELECT string_agg(format('%I %s', a.attname, format_type(a.atttypid, a.atttypmod)), ', ' ORDER BY a.attnum)
     FROM pg_attribute a WHERE a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped))
  FROM pg_type y {_IN_SCHEMA} y.typnamespace JOIN pg_class c ON c.oid = y.typrelid
  WHERE c.relkind = 'c' AND {USERS} AND {free("pg_type", "y.oid")}
  UNION ALL
  SELECT y.oid, format('CREATE TYPE %s AS RANGE (subtype = %s)', {_named("y", "typname")},
    format_type(r.rngsubtype, NULL))
  FROM pg_type y {_IN_SCHEMA} y.typnamespace JOIN pg_range r ON r.rngtypid = y.oid
  WHERE y.typtype = 'r' AND {USERS} AND {free("pg_type", "y.oid")}
  UNION ALL
  SELECT y.oid, concat_ws(' ', format('CREATE DOMAIN %s AS %s', {_named("y", "typname")},
      format_type(y.typbasetype, y.typtypmod)),
    (SELECT format('COLLATE %I.%I', m.nspname, k.collname) FROM pg_collation k
     JOIN pg_namespace m ON m.oid = k.collnamespace JOIN pg_type b ON b.oid = y.typbasetype
     WHERE k.oid = y.typcollation AND y.typcollation <> b.typcollation),
    CASE WHEN y.typnotnull THEN 'NOT NULL' END, 'DEFAULT ' || y.typdefault,
    (SELECT string_agg(format('CONSTRAINT %I %s', k.conname, pg_get_constraintdef(k.oid)), ' ' ORDER BY k.oid)
     FROM pg_constraint k WHERE k.contypid = y.oid AND k.contype = 'c'))
  FROM pg_type y {_IN_SCHEMA} y.typnamespace WHERE y.typtype = 'd' AND {USERS} AND {free("pg_type", "y.oid")}
  UNION ALL
  SELECT p.oid, pg_get_functiondef(p.oid) FROM pg_proc p {_IN_SCHEMA} p.pronamespace
  WHERE p.prokind IN ('f', 'p', 'w') AND {USERS} AND {free("pg_proc", "p.oid")}
  AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = p.oid AND d.classid = 'pg_proc'::regclass AND d.deptype = 'i')
  UNION ALL
  SELECT p.oid, format('CREATE AGGREGATE %s(%s) (%s)', {_named("p", "proname")},
    COALESCE(NULLIF(pg_get_function_arguments(p.oid), ''), '*'),
    concat_ws(', ', format('SFUNC = %s', g.aggtransfn), format('STYPE = %s', format_type(g.aggtranstype, NULL)),
      CASE WHEN g.aggfinalfn <> 0 THEN format('FINALFUNC = %s', g.aggfinalfn) END,
      'INITCOND = ' || quote_literal(g.agginitval)))
  FROM pg_proc p {_IN_SCHEMA} p.pronamespace JOIN pg_aggregate g ON g.aggfnoid = p.oid
  WHERE {USERS} AND {free("pg_proc", "p.oid")}
) found ORDER BY oid
"""
_SEQUENCE_WORDS = """
concat_ws(' ', CASE WHEN s.seqtypid <> 'bigint'::regtype AND {typed} THEN 'AS ' || format_type(s.seqtypid, NULL) END,
  'START WITH ' || s.seqstart, 'INCREMENT BY ' || s.seqincrement, 'MINVALUE ' || s.seqmin, 'MAXVALUE ' || s.seqmax,
  'CACHE ' || s.seqcache, CASE WHEN s.seqcycle THEN 'CYCLE' END)
"""
_IS_IDENTITY = "EXISTS (SELECT FROM pg_depend d WHERE d.objid = c.oid AND d.deptype = 'i')"
_SEQUENCES = f"""
SELECT format('CREATE SEQUENCE %s %s', {_NAME}, {_SEQUENCE_WORDS.format(typed="true")})
FROM {_TABLE} JOIN pg_sequence s ON s.seqrelid = c.oid
WHERE c.relkind = 'S' AND {_OF_TABLES} AND NOT {_IS_IDENTITY} ORDER BY c.oid
"""
BEFORE_TABLES = (_SCHEMAS, _EXTENSIONS, _COLLATIONS, _TYPES_AND_ROUTINES, _SEQUENCES)
"""What tables may need."""

_PARENTS = """
(SELECT string_agg(format('%I.%I', m.nspname, p.relname), ', ' ORDER BY h.inhseqno) FROM pg_inherits h
 JOIN pg_class p ON p.oid = h.inhparent JOIN pg_namespace m ON m.oid = p.relnamespace
 WHERE h.inhrelid = c.oid AND NOT c.relispartition)
"""
TABLES = f"""
WITH RECURSIVE depths AS (
  SELECT c.oid, 0 AS depth FROM pg_class c WHERE c.relkind IN ('r', 'p')
  UNION SELECT h.inhrelid, d.depth + 1 FROM depths d JOIN pg_inherits h ON h.inhparent = d.oid
  JOIN pg_class c ON c.oid = h.inhrelid WHERE NOT c.relispartition
)
SELECT c.oid,
  format('CREATE %sTABLE %s', CASE WHEN c.relpersistence = 'u' THEN 'UNLOGGED ' ELSE '' END, {_NAME}),
  concat(E'\\nINHERITS (' || {_PARENTS} || ')', E'\\nPARTITION BY ' || pg_get_partkeydef(c.oid),
    E'\\nWITH (' || array_to_string(c.reloptions, ', ') || ')')
FROM {_TABLE} WHERE c.relkind IN ('r', 'p') AND {_OF_TABLES}
ORDER BY (SELECT max(depth) FROM depths WHERE depths.oid = c.oid), c.oid
"""
"""Tables, those first that others inherit from: number, what stands before the columns, and what behind them."""

COLUMNS = f"""
SELECT c.oid, quote_ident(a.attname), format_type(a.atttypid, a.atttypmod),
  CASE WHEN a.attcollation <> t.typcollation THEN
    (SELECT format('%I.%I', m.nspname, k.collname) FROM pg_collation k JOIN pg_namespace m ON m.oid = k.collnamespace
     WHERE k.oid = a.attcollation) END,
  CASE WHEN a.attgenerated <> '' OR pg_get_expr(d.adbin, d.adrelid) NOT LIKE 'nextval(%'
    THEN pg_get_expr(d.adbin, d.adrelid) END,
  a.attgenerated::text, a.attnotnull
FROM {_TABLE} JOIN pg_attribute a ON a.attrelid = c.oid JOIN pg_type t ON t.oid = a.atttypid
LEFT JOIN pg_attrdef d ON d.adrelid = c.oid AND d.adnum = a.attnum
WHERE c.relkind IN ('r', 'p') AND {_OF_TABLES} AND a.attnum > 0 AND NOT a.attisdropped
AND (a.attislocal OR c.relispartition) ORDER BY c.oid, a.attnum
"""
"""Columns of tables, but for those that come from others: the table's number, and their parts."""

CHECKS = f"""
SELECT c.oid, quote_ident(k.conname), pg_get_constraintdef(k.oid)
FROM {_TABLE} JOIN pg_constraint k ON k.conrelid = c.oid
WHERE k.contype = 'c' AND k.convalidated AND (k.conislocal OR c.relispartition) AND {_OF_TABLES}
AND c.relkind IN ('r', 'p') ORDER BY k.oid
"""
"""Checks of tables that hold for all rows: the table's number, their names, and their words."""

_ATTACHED = f"""
SELECT format('ALTER TABLE ONLY %I.%I ATTACH PARTITION %s %s', m.nspname, p.relname, {_NAME},
  pg_get_expr(c.relpartbound, c.oid))
FROM {_TABLE} JOIN pg_inherits h ON h.inhrelid = c.oid JOIN pg_class p ON p.oid = h.inhparent
JOIN pg_namespace m ON m.oid = p.relnamespace
WHERE c.relispartition AND c.relkind IN ('r', 'p') AND {_OF_TABLES} ORDER BY c.oid
"""
_OWNED = f"""
SELECT format('ALTER SEQUENCE %s OWNED BY %I.%I.%I', {_NAME}, m.nspname, t.relname, a.attname)
FROM {_TABLE} JOIN pg_depend d ON d.objid = c.oid AND d.deptype = 'a' AND d.classid = 'pg_class'::regclass
JOIN pg_class t ON t.oid = d.refobjid JOIN pg_namespace m ON m.oid = t.relnamespace
JOIN pg_attribute a ON a.attrelid = t.oid AND a.attnum = d.refobjsubid
WHERE c.relkind = 'S' AND {_OF_TABLES} ORDER BY c.oid
"""
_DEFAULTS = f"""
SELECT format('ALTER TABLE ONLY %s ALTER COLUMN %I SET DEFAULT %s', {_NAME}, a.attname,
  pg_get_expr(d.adbin, d.adrelid))
FROM {_TABLE} JOIN pg_attribute a ON a.attrelid = c.oid JOIN pg_attrdef d ON d.adrelid = c.oid AND d.adnum = a.attnum
WHERE a.attgenerated = '' AND pg_get_expr(d.adbin, d.adrelid) LIKE 'nextval(%' AND c.relkind IN ('r', 'p')
AND {_OF_TABLES} ORDER BY c.oid, a.attnum
"""
_IDENTITIES = f"""
SELECT format('ALTER TABLE %I.%I ALTER COLUMN %I ADD GENERATED %s AS IDENTITY ( SEQUENCE NAME %s %s )',
  m.nspname, t.relname, a.attname, CASE a.attidentity WHEN 'a' THEN 'ALWAYS' ELSE 'BY DEFAULT' END, {_NAME},
  {_SEQUENCE_WORDS.format(typed="false")})
FROM {_TABLE} JOIN pg_sequence s ON s.seqrelid = c.oid
JOIN pg_depend d ON d.objid = c.oid AND d.deptype = 'i' AND d.classid = 'pg_class'::regclass
JOIN pg_class t ON t.oid = d.refobjid JOIN pg_namespace m ON m.oid = t.relnamespace
JOIN pg_attribute a ON a.attrelid = t.oid AND a.attnum = d.refobjsubid
WHERE c.relkind = 'S' AND {_OF_TABLES} AND a.attidentity <> '' AND NOT t.relispartition ORDER BY c.oid
"""
_STORAGE = f"""
SELECT format('ALTER TABLE ONLY %s ALTER COLUMN %I SET STORAGE %s', {_NAME}, a.attname,
  CASE a.attstorage WHEN 'p' THEN 'PLAIN' WHEN 'e' THEN 'EXTERNAL' WHEN 'm' THEN 'MAIN' ELSE 'EXTENDED' END)
FROM {_TABLE} JOIN pg_attribute a ON a.attrelid = c.oid JOIN pg_type t ON t.oid = a.atttypid
WHERE a.attnum > 0 AND NOT a.attisdropped AND a.attstorage <> t.typstorage AND c.relkind IN ('r', 'p')
AND {_OF_TABLES} ORDER BY c.oid, a.attnum
"""
_VIEWS = f"""
SELECT format('CREATE VIEW %s%s AS %s', {_NAME}, ' WITH (' || array_to_string(c.reloptions, ', ') || ')',
  pg_get_viewdef(c.oid))
FROM {_TABLE} WHERE c.relkind = 'v' AND {_OF_TABLES} ORDER BY c.oid
"""
_KEPT_VIEWS = f"""
SELECT format(E'CREATE MATERIALIZED VIEW %s AS\\n%s\\n  WITH NO DATA', {_NAME}, rtrim(pg_get_viewdef(c.oid), ';'))
FROM {_TABLE} WHERE c.relkind = 'm' AND {_OF_TABLES} ORDER BY c.oid
"""
_OWNERS = f"""
SELECT format('ALTER %s %s OWNER TO %I', CASE c.relkind WHEN 'v' THEN 'VIEW' WHEN 'm' THEN 'MATERIALIZED VIEW'
  WHEN 'S' THEN 'SEQUENCE' ELSE 'TABLE' END, {_NAME}, o.rolname)
FROM {_TABLE} JOIN pg_roles o ON o.oid = c.relowner
WHERE c.relkind IN ('r', 'p', 'v', 'm', 'S') AND {_OF_TABLES} AND NOT (c.relkind = 'S' AND {_IS_IDENTITY})
ORDER BY c.oid
"""
BEHIND_TABLES = (_ATTACHED, _OWNED, _DEFAULTS, _IDENTITIES, _STORAGE, _VIEWS, _KEPT_VIEWS, _OWNERS)
"""What tables have, before rows go in."""

_VALUES = f"""
SELECT format('SELECT pg_catalog.setval(%L, %s, %s)', {_NAME}, COALESCE(v.last_value, s.seqstart),
  CASE WHEN v.last_value IS NULL THEN 'false' ELSE 'true' END)
FROM {_TABLE} JOIN pg_sequence s ON s.seqrelid = c.oid,
LATERAL (SELECT pg_sequence_last_value(c.oid) AS last_value) v
WHERE c.relkind = 'S' AND {_OF_TABLES} ORDER BY c.oid
"""
_ALTER = "format('ALTER TABLE %s%s ADD CONSTRAINT %I %s', CASE WHEN {all} THEN '' ELSE 'ONLY ' END"
_KEYS = f"""
SELECT {_ALTER.format(all="false")}, {_NAME}, k.conname, pg_get_constraintdef(k.oid))
FROM {_TABLE} JOIN pg_constraint k ON k.conrelid = c.oid
WHERE k.contype IN ('p', 'u', 'x') AND {_OF_TABLES} AND c.relkind IN ('r', 'p') ORDER BY k.oid
"""
_LATE_CHECKS = f"""
SELECT format('ALTER TABLE %s ADD CONSTRAINT %I %s', {_NAME}, k.conname, pg_get_constraintdef(k.oid))
FROM {_TABLE} JOIN pg_constraint k ON k.conrelid = c.oid
WHERE k.contype = 'c' AND NOT k.convalidated AND k.conislocal AND {_OF_TABLES} AND c.relkind IN ('r', 'p')
ORDER BY k.oid
"""
_INDEXES = f"""
SELECT pg_get_indexdef(i.indexrelid)
FROM pg_index i JOIN {_TABLE} ON c.oid = i.indrelid
WHERE {_OF_TABLES} AND c.relkind IN ('r', 'p', 'm')
AND NOT EXISTS (SELECT FROM pg_constraint k WHERE k.conindid = i.indexrelid AND k.contype IN ('p', 'u', 'x'))
ORDER BY i.indexrelid
"""
_ATTACHED_INDEXES = f"""
SELECT format('ALTER INDEX %I.%I ATTACH PARTITION %I.%I', m.nspname, p.relname, n.nspname, x.relname)
FROM pg_inherits h JOIN pg_class x ON x.oid = h.inhrelid AND x.relkind IN ('i', 'I') {_IN_SCHEMA} x.relnamespace
JOIN pg_class p ON p.oid = h.inhparent JOIN pg_namespace m ON m.oid = p.relnamespace WHERE {USERS} ORDER BY x.oid
"""
_TRIGGERS = f"""
SELECT pg_get_triggerdef(g.oid) FROM pg_trigger g JOIN {_TABLE} ON c.oid = g.tgrelid
WHERE {_OF_TABLES} AND NOT g.tgisinternal AND g.tgparentid = 0 ORDER BY g.oid
"""
_STILL_TRIGGERS = f"""
SELECT format('ALTER TABLE %s %s TRIGGER %I', {_NAME},
  CASE g.tgenabled WHEN 'D' THEN 'DISABLE' WHEN 'R' THEN 'ENABLE REPLICA' ELSE 'ENABLE ALWAYS' END, g.tgname)
FROM pg_trigger g JOIN {_TABLE} ON c.oid = g.tgrelid
WHERE {_OF_TABLES} AND NOT g.tgisinternal AND g.tgparentid = 0 AND g.tgenabled <> 'O' ORDER BY g.oid
"""
_RULES = f"""
SELECT pg_get_ruledef(r.oid) FROM pg_rewrite r JOIN {_TABLE} ON c.oid = r.ev_class
WHERE {_OF_TABLES} AND r.rulename <> '_RETURN' ORDER BY r.oid
"""
_POLICIES = f"""
SELECT concat_ws(' ', format('CREATE POLICY %I ON %s', r.polname, {_NAME}),
  CASE WHEN NOT r.polpermissive THEN 'AS RESTRICTIVE' END,
  CASE r.polcmd WHEN 'r' THEN 'FOR SELECT' WHEN 'a' THEN 'FOR INSERT' WHEN 'w' THEN 'FOR UPDATE'
    WHEN 'd' THEN 'FOR DELETE' END,
  (SELECT 'TO ' || string_agg(quote_ident(o.rolname), ', ') FROM pg_roles o WHERE o.oid = ANY (r.polroles)),
  'USING (' || pg_get_expr(r.polqual, r.polrelid) || ')',
  'WITH CHECK (' || pg_get_expr(r.polwithcheck, r.polrelid) || ')')
FROM pg_policy r JOIN {_TABLE} ON c.oid = r.polrelid WHERE {_OF_TABLES} ORDER BY r.oid
"""
_ROW_SECURITY = f"""
SELECT format('ALTER TABLE %s %s ROW LEVEL SECURITY', {_NAME}, w.word) FROM {_TABLE},
LATERAL (VALUES ('ENABLE', c.relrowsecurity), ('FORCE', c.relforcerowsecurity)) AS w(word, has)
WHERE w.has AND {_OF_TABLES} ORDER BY c.oid
"""
_STATISTICS = f"""
SELECT pg_get_statisticsobjdef(s.oid) FROM pg_statistic_ext s JOIN {_TABLE} ON c.oid = s.stxrelid
WHERE {_OF_TABLES} ORDER BY s.oid
"""
_REFERENCES = f"""
SELECT {_ALTER.format(all="c.relkind = 'p'")}, {_NAME}, k.conname, pg_get_constraintdef(k.oid))
FROM {_TABLE} JOIN pg_constraint k ON k.conrelid = c.oid
WHERE k.contype = 'f' AND k.conparentid = 0 AND {_OF_TABLES} ORDER BY k.oid
"""
_COMMENTS = f"""
SELECT format('COMMENT ON %s %s IS %L', CASE c.relkind WHEN 'v' THEN 'VIEW' WHEN 'm' THEN 'MATERIALIZED VIEW'
  WHEN 'S' THEN 'SEQUENCE' WHEN 'i' THEN 'INDEX' WHEN 'I' THEN 'INDEX' ELSE 'TABLE' END, {_NAME}, d.description)
FROM {_TABLE} JOIN pg_description d ON d.objoid = c.oid AND d.classoid = 'pg_class'::regclass AND d.objsubid = 0
WHERE c.relkind IN ('r', 'p', 'v', 'm', 'S', 'i', 'I') AND {_OF_TABLES}
UNION ALL
SELECT format('COMMENT ON COLUMN %s.%I IS %L', {_NAME}, a.attname, d.description)
FROM {_TABLE} JOIN pg_attribute a ON a.attrelid = c.oid
JOIN pg_description d ON d.objoid = c.oid AND d.classoid = 'pg_class'::regclass AND d.objsubid = a.attnum
WHERE c.relkind IN ('r', 'p', 'v', 'm') AND a.attnum > 0 AND {_OF_TABLES}
UNION ALL
SELECT format('COMMENT ON CONSTRAINT %I ON %s IS %L', k.conname, {_NAME}, d.description)
FROM {_TABLE} JOIN pg_constraint k ON k.conrelid = c.oid
JOIN pg_description d ON d.objoid = k.oid AND d.classoid = 'pg_constraint'::regclass WHERE {_OF_TABLES}
UNION ALL
SELECT format('COMMENT ON TRIGGER %I ON %s IS %L', g.tgname, {_NAME}, d.description)
FROM {_TABLE} JOIN pg_trigger g ON g.tgrelid = c.oid
JOIN pg_description d ON d.objoid = g.oid AND d.classoid = 'pg_trigger'::regclass
WHERE NOT g.tgisinternal AND {_OF_TABLES}
"""
_GRANTS = f"""
SELECT format('GRANT %s ON %s%s TO %s%s', string_agg(a.privilege_type, ',' ORDER BY a.privilege_type),
  CASE c.relkind WHEN 'S' THEN 'SEQUENCE ' ELSE 'TABLE ' END, {_NAME},
  CASE WHEN a.grantee = 0 THEN 'PUBLIC' ELSE quote_ident(g.rolname) END,
  CASE WHEN a.is_grantable THEN ' WITH GRANT OPTION' ELSE '' END)
FROM {_TABLE} CROSS JOIN LATERAL aclexplode(c.relacl) a LEFT JOIN pg_roles g ON g.oid = a.grantee
WHERE c.relkind IN ('r', 'p', 'v', 'm', 'S') AND {_OF_TABLES} AND a.grantee <> c.relowner
AND (a.grantee = 0 OR g.rolname IS NOT NULL)
GROUP BY c.oid, c.relkind, n.nspname, c.relname, a.grantee, g.rolname, a.is_grantable ORDER BY c.oid
"""
_GRANTS_ON_COLUMNS = f"""
SELECT format('GRANT %s ON TABLE %s TO %s', string_agg(format('%s(%I)', a.privilege_type, o.attname), ','), {_NAME},
  CASE WHEN a.grantee = 0 THEN 'PUBLIC' ELSE quote_ident(g.rolname) END)
FROM {_TABLE} JOIN pg_attribute o ON o.attrelid = c.oid CROSS JOIN LATERAL aclexplode(o.attacl) a
LEFT JOIN pg_roles g ON g.oid = a.grantee
WHERE c.relkind IN ('r', 'p', 'v', 'm') AND {_OF_TABLES} AND NOT o.attisdropped
AND (a.grantee = 0 OR g.rolname IS NOT NULL) GROUP BY c.oid, n.nspname, c.relname, a.grantee, g.rolname ORDER BY c.oid
"""
BEHIND_ROWS = (
    _VALUES, _KEYS, _LATE_CHECKS, _INDEXES, _ATTACHED_INDEXES, _STATISTICS, _RULES, _TRIGGERS, _STILL_TRIGGERS,
    _REFERENCES, _POLICIES, _ROW_SECURITY, _COMMENTS, _GRANTS, _GRANTS_ON_COLUMNS,
)  # fmt: skip
"""What stands behind the rows."""
