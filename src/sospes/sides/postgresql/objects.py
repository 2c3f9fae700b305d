"""The objects of a PostgreSQL database, in the words in which its dumps define them.

Source: PostgreSQL documentation, "System Catalogs", "System Information Functions".
"""

from __future__ import annotations

from typing import Any

import psycopg
import xxhash

from sospes.model.objects import DatabaseObject, ObjectKey, plain, settled_name, settled_type

_AT_ONCE = 1 << 20
USERS = "n.nspname NOT LIKE 'pg\\_%' AND n.nspname <> 'information_schema'"
"""The condition for schemas, called `n`, that are not the engine's own."""


def free(catalog: str, oid: str = "c.oid") -> str:
    """Not a part of an extension, which comes back with it."""
    return (
        f"NOT EXISTS (SELECT FROM pg_depend x WHERE x.objid = {oid} AND x.deptype = 'e' "
        f"AND x.classid = 'pg_catalog.{catalog}'::regclass)"
    )


def _relations(joined: str = "") -> str:
    return (
        f"FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace {joined} "
        f"WHERE {USERS} AND {free('pg_class')} AND c.relpersistence <> 't'"
    )


def _on_table(oid: str) -> str:
    return (
        f"JOIN pg_class t ON t.oid = {oid} JOIN pg_namespace n ON n.oid = t.relnamespace "
        f"WHERE {USERS} AND {free('pg_class', 't.oid')} AND t.relpersistence <> 't'"
    )


_DEFAULTS = """JOIN pg_attribute a ON a.attrelid = c.oid
    JOIN pg_attrdef d ON d.adrelid = c.oid AND d.adnum = a.attnum"""
_RIGHTS = """string_agg(DISTINCT a.privilege_type || CASE WHEN a.is_grantable THEN '*' ELSE '' END, ','
            ORDER BY a.privilege_type || CASE WHEN a.is_grantable THEN '*' ELSE '' END)"""


def _granted(acl: str) -> str:
    return f"CROSS JOIN LATERAL aclexplode({acl}) a LEFT JOIN pg_roles g ON g.oid = a.grantee"


_QUERIES = {
    "schemas": f"SELECT 'schema', '', n.nspname, '', NULL FROM pg_namespace n WHERE {USERS} AND n.nspname <> 'public' "
    f"AND {free('pg_namespace', 'n.oid')}",
    "extensions": "SELECT 'extension', '', extname, '', NULL FROM pg_extension WHERE extname <> 'plpgsql'",
    "relations": f"""
        SELECT CASE c.relkind WHEN 'v' THEN 'view' WHEN 'm' THEN 'materialized view' WHEN 'S' THEN 'sequence'
            WHEN 'f' THEN 'foreign table' ELSE 'table' END, n.nspname, c.relname, '',
          CASE WHEN c.relkind IN ('v', 'm') THEN pg_get_viewdef(c.oid) END
        {_relations()} AND c.relkind IN ('r', 'p', 'v', 'm', 'S', 'f')
        AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = c.oid AND d.deptype = 'i' AND c.relkind = 'S')""",
    "columns": f"""
        SELECT 'column', n.nspname, a.attname, c.relname,
          format_type(a.atttypid, a.atttypmod) || CASE WHEN a.attnotnull THEN ' not null' ELSE '' END
        {_relations("JOIN pg_attribute a ON a.attrelid = c.oid")}
        AND c.relkind IN ('r', 'p')
        AND a.attnum > 0 AND NOT a.attisdropped""",
    "defaults": f"""
        SELECT 'default', n.nspname, a.attname, c.relname, pg_get_expr(d.adbin, d.adrelid)
        {_relations(_DEFAULTS)}
        AND a.attgenerated = '' AND c.relkind IN ('r', 'p')
        AND (c.relispartition OR NOT EXISTS (SELECT FROM pg_inherits h WHERE h.inhrelid = c.oid))""",
    "types": f"""
        SELECT CASE y.typtype WHEN 'd' THEN 'domain' ELSE 'type' END, n.nspname, y.typname, '',
          CASE WHEN y.typtype = 'e' THEN (SELECT string_agg(
            '''' || replace(l.enumlabel, '''', '''''') || '''', ', ' ORDER BY l.enumsortorder)
            FROM pg_enum l WHERE l.enumtypid = y.oid) END
        FROM pg_type y JOIN pg_namespace n ON n.oid = y.typnamespace LEFT JOIN pg_class c ON c.oid = y.typrelid
        WHERE {USERS} AND {free("pg_type", "y.oid")}
        AND (y.typtype IN ('d', 'e', 'r') OR (y.typtype = 'c' AND c.relkind = 'c') OR NOT y.typisdefined
          OR (y.typtype = 'b' AND NOT EXISTS (SELECT FROM pg_type z WHERE z.typarray = y.oid)))""",
    "routines": f"""
        SELECT CASE p.prokind WHEN 'p' THEN 'procedure' WHEN 'a' THEN 'aggregate' ELSE 'function' END,
          n.nspname, p.proname, '', CASE WHEN p.prokind IN ('f', 'p', 'w') AND p.probin IS NULL THEN p.prosrc END
        FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
        WHERE {USERS} AND {free("pg_proc", "p.oid")} AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = p.oid
          AND d.classid = 'pg_proc'::regclass AND d.deptype = 'i')""",
    "indexes": f"""
        SELECT 'index', n.nspname, c.relname, t.relname, pg_get_indexdef(c.oid)
        FROM pg_index i JOIN pg_class c ON c.oid = i.indexrelid {_on_table("i.indrelid")}
        AND NOT EXISTS (SELECT FROM pg_constraint k WHERE k.conindid = c.oid AND k.contype IN ('p', 'u', 'x'))""",
    "constraints": f"""
        SELECT 'constraint', n.nspname, k.conname, t.relname, pg_get_constraintdef(k.oid)
        FROM pg_constraint k {_on_table("k.conrelid")} AND k.contype IN ('p', 'u', 'x', 'f', 'c') AND k.conislocal
        AND NOT (k.contype = 'f' AND k.conparentid <> 0)
        UNION ALL SELECT 'constraint', n.nspname, k.conname, t.relname, pg_get_constraintdef(k.oid)
        FROM pg_constraint k {_on_table("k.conrelid")} AND k.contype IN ('p', 'u', 'x') AND NOT k.conislocal""",
    "triggers": f"""
        SELECT 'trigger', n.nspname, g.tgname, t.relname, pg_get_triggerdef(g.oid)
        FROM pg_trigger g {_on_table("g.tgrelid")} AND NOT g.tgisinternal AND g.tgparentid = 0""",
    "rules": f"""
        SELECT 'rule', n.nspname, r.rulename, t.relname, pg_get_ruledef(r.oid)
        FROM pg_rewrite r {_on_table("r.ev_class")} AND r.rulename <> '_RETURN'""",
    "policies": f"""
        SELECT 'policy', n.nspname, r.polname, t.relname, NULL FROM pg_policy r {_on_table("r.polrelid")}""",
    "large objects": "SELECT 'large object', '', oid::text, '', NULL FROM pg_largeobject_metadata",
    "event triggers": "SELECT 'event trigger', '', evtname, '', NULL FROM pg_event_trigger e "
    f"WHERE {free('pg_event_trigger', 'e.oid')}",
    "comments": """
        SELECT 'comment', '', CASE WHEN i.type LIKE '% column' THEN 'column' WHEN i.type = 'table constraint'
            THEN 'constraint' ELSE i.type END || ' ' || regexp_replace(i.identity, '\\(.*\\)', ''), '', d.description
        FROM pg_description d, LATERAL pg_identify_object(d.classoid, d.objoid, d.objsubid) i
        WHERE NOT (i.type = 'schema' AND i.identity = 'public' AND d.description = 'standard public schema')
        AND (d.objoid >= 16384 OR i.type = 'large object') AND i.type NOT IN ('extension', 'domain constraint')
        AND (i.schema IS NULL OR (i.schema NOT LIKE 'pg\\_%'
          AND i.schema <> 'information_schema'))
        AND NOT EXISTS (SELECT FROM pg_depend e
          WHERE e.objid = d.objoid AND e.classid = d.classoid AND e.deptype = 'e')""",
    "grants": f"""
        SELECT 'grant', n.nspname, c.relname, COALESCE(g.rolname, 'public'), {_RIGHTS}
        {_relations(_granted("c.relacl"))}
        AND c.relkind IN ('r', 'p', 'v', 'm', 'f', 'S') AND a.grantee <> c.relowner GROUP BY 2, 3, 4""",
    "grants on columns": f"""
        SELECT 'grant', n.nspname, c.relname || '.' || o.attname, COALESCE(g.rolname, 'public'), {_RIGHTS}
        {_relations("JOIN pg_attribute o ON o.attrelid = c.oid " + _granted("o.attacl"))}
        AND NOT o.attisdropped AND a.grantee <> c.relowner GROUP BY 2, 3, 4""",
    "grants on schemas": f"""
        SELECT 'grant', '', 'schema ' || n.nspname, COALESCE(g.rolname, 'public'), {_RIGHTS}
        FROM pg_namespace n {_granted("n.nspacl")} WHERE {USERS} AND n.nspname <> 'public'
        AND a.grantee <> n.nspowner AND {free("pg_namespace", "n.oid")} GROUP BY 3, 4""",
    "grants on routines": f"""
        SELECT 'grant', n.nspname, p.proname || '()', g.rolname, {_RIGHTS}
        FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace {_granted("p.proacl")}
        WHERE {USERS} AND {free("pg_proc", "p.oid")} AND a.grantee NOT IN (p.proowner, 0) GROUP BY 2, 3, 4""",
    "roles": "SELECT 'role', '', rolname, '', NULL FROM pg_roles WHERE rolname NOT LIKE 'pg\\_%'",
    "owners": f"""
        SELECT 'owner', n.nspname, c.relname, '', o.rolname {_relations("JOIN pg_roles o ON o.oid = c.relowner")}
        AND c.relkind IN ('r', 'p', 'v', 'm', 'S', 'f')
        UNION ALL SELECT 'owner', '', n.nspname, '', o.rolname
        FROM pg_namespace n JOIN pg_roles o ON o.oid = n.nspowner WHERE {USERS} AND n.nspname <> 'public'""",
}


def objects_of(connection: psycopg.Connection[Any]) -> dict[ObjectKey, DatabaseObject]:
    """All objects that a dump of this database would define; `search_path` must be empty."""
    found: dict[ObjectKey, DatabaseObject] = {}
    for query in _QUERIES.values():
        for kind, schema, name, about, text in connection.execute(query.encode()).fetchall():
            key = ObjectKey(kind, schema, settled_name(name) if kind == "comment" else name, about)
            texts = found[key].texts if key in found else ()
            found[key] = DatabaseObject((*texts, _worded(kind, text)) if text else texts)
    return found


def large_objects_of(connection: psycopg.Connection[Any]) -> dict[ObjectKey, DatabaseObject]:
    """Large objects with digests of their bytes; without one where this user may not read it."""
    found = {}
    for (number,) in connection.execute("SELECT oid FROM pg_largeobject_metadata ORDER BY 1").fetchall():
        key = ObjectKey("large object", "", str(number))
        try:
            with connection.transaction():
                found[key] = DatabaseObject((_large_object(connection, number),))
        except psycopg.errors.InsufficientPrivilege:
            found[key] = DatabaseObject()
    return found


def _large_object(connection: psycopg.Connection[Any], number: int) -> str:
    digest, offset = xxhash.xxh3_128(), 0
    while True:
        row = connection.execute("SELECT lo_get(%s, %s, %s)", (number, offset, _AT_ONCE), binary=True).fetchone()
        data: bytes = row[0] if row else b""
        digest.update(data)
        offset += len(data)
        if len(data) < _AT_ONCE:
            return digest.hexdigest()


def _worded(kind: str, text: str) -> str:
    if kind == "comment":
        return text
    return settled_type(text) if kind == "column" else plain(text)
