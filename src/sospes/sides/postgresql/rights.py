"""Carries rights and owners from one database to what another has by the same name.

Sources: PostgreSQL documentation, "System Catalogs": pg_class, pg_proc, pg_default_acl; "Privileges".
"""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import psycopg

from sospes.model.findings import Finding, doubt, note
from sospes.sides.postgresql.live import one_line

_OWN = "n.nspname NOT LIKE 'pg\\_%' AND n.nspname <> 'information_schema'"
_FREE = "NOT EXISTS (SELECT FROM pg_depend e WHERE e.objid = {}.oid AND e.deptype = 'e')"
_TO = "CASE a.grantee WHEN 0 THEN 'PUBLIC' ELSE quote_ident(pg_get_userbyid(a.grantee)) END"
_OPTION = "CASE WHEN a.is_grantable THEN ' WITH GRANT OPTION' ELSE '' END"
_RELATION = """CASE c.relkind WHEN 'S' THEN 'SEQUENCE' WHEN 'v' THEN 'VIEW' WHEN 'm' THEN 'MATERIALIZED VIEW'
    WHEN 'f' THEN 'FOREIGN TABLE' ELSE 'TABLE' END"""
_OWNED = (
    "NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = c.oid AND d.deptype IN ('a', 'i') AND c.relkind = 'S' "
    "AND d.refclassid = 'pg_class'::regclass)"
)
"""Sequences of columns go with their table."""

_QUERIES = {
    "schemas": f"""
        SELECT 0, format('ALTER SCHEMA %I OWNER TO %I', n.nspname, pg_get_userbyid(n.nspowner))
        FROM pg_namespace n WHERE {_OWN} AND {_FREE.format("n")}
        UNION ALL SELECT 1, format('GRANT %s ON SCHEMA %I TO %s%s', a.privilege_type, n.nspname, {_TO}, {_OPTION})
        FROM pg_namespace n, aclexplode(n.nspacl) a WHERE {_OWN} AND a.grantee <> n.nspowner AND {_FREE.format("n")}""",
    "relations": f"""
        SELECT 0, format('ALTER %s %I.%I OWNER TO %I', {_RELATION}, n.nspname, c.relname, pg_get_userbyid(c.relowner))
        FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
        WHERE c.relkind IN ('r', 'p', 'v', 'm', 'f', 'S') AND {_OWN} AND {_FREE.format("c")} AND {_OWNED}
        UNION ALL SELECT 1, format('GRANT %s ON %s %I.%I TO %s%s', a.privilege_type,
          CASE c.relkind WHEN 'S' THEN 'SEQUENCE' ELSE 'TABLE' END, n.nspname, c.relname, {_TO}, {_OPTION})
        FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace, aclexplode(c.relacl) a
        WHERE c.relkind IN ('r', 'p', 'v', 'm', 'f', 'S') AND {_OWN} AND a.grantee <> c.relowner AND {_FREE.format("c")}
        UNION ALL SELECT 1, format('GRANT %s (%I) ON TABLE %I.%I TO %s%s', a.privilege_type, o.attname, n.nspname,
          c.relname, {_TO}, {_OPTION})
        FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace JOIN pg_attribute o ON o.attrelid = c.oid,
          aclexplode(o.attacl) a
        WHERE NOT o.attisdropped AND {_OWN} AND a.grantee <> c.relowner AND {_FREE.format("c")}""",
    "routines": f"""
        SELECT 0, format('ALTER ROUTINE %s OWNER TO %I', p.oid::regprocedure, pg_get_userbyid(p.proowner))
        FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
        WHERE p.prokind <> 'a' AND {_OWN} AND {_FREE.format("p")}
        UNION ALL SELECT 1, format('REVOKE ALL ON ROUTINE %s FROM PUBLIC', p.oid::regprocedure)
        FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
        WHERE p.prokind <> 'a' AND {_OWN} AND p.proacl IS NOT NULL AND {_FREE.format("p")}
        UNION ALL SELECT 2, format('GRANT EXECUTE ON ROUTINE %s TO %s%s', p.oid::regprocedure, {_TO}, {_OPTION})
        FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace, aclexplode(p.proacl) a
        WHERE p.prokind <> 'a' AND {_OWN} AND a.grantee <> p.proowner AND {_FREE.format("p")}""",
    "types": f"""
        SELECT 0, format('ALTER %s %s OWNER TO %I', CASE t.typtype WHEN 'd' THEN 'DOMAIN' ELSE 'TYPE' END,
          format_type(t.oid, NULL), pg_get_userbyid(t.typowner))
        FROM pg_type t JOIN pg_namespace n ON n.oid = t.typnamespace LEFT JOIN pg_class c ON c.oid = t.typrelid
        WHERE (t.typtype IN ('d', 'e', 'r') OR (t.typtype = 'c' AND c.relkind = 'c')) AND {_OWN}
        AND {_FREE.format("t")}""",
    "defaults": f"""
        SELECT 3, format('ALTER DEFAULT PRIVILEGES FOR ROLE %I%s GRANT %s ON %s TO %s%s', pg_get_userbyid(f.defaclrole),
          COALESCE(format(' IN SCHEMA %I', n.nspname), ''), a.privilege_type,
          CASE f.defaclobjtype WHEN 'r' THEN 'TABLES' WHEN 'S' THEN 'SEQUENCES' WHEN 'f' THEN 'ROUTINES'
            WHEN 'T' THEN 'TYPES' ELSE 'SCHEMAS' END, {_TO}, {_OPTION})
        FROM pg_default_acl f LEFT JOIN pg_namespace n ON n.oid = f.defaclnamespace, aclexplode(f.defaclacl) a
        WHERE a.grantee <> f.defaclrole""",
}
MOST_TOLD = 5


def carried(live: psycopg.Connection[Any], copy: psycopg.Connection[Any]) -> Iterator[Finding]:
    """Run on `copy` what gives its objects the owners and rights that live's have; what fails is left out and told."""
    live.execute("SET search_path = ''")
    statements = sorted(
        {
            (int(rank), str(text))
            for query in _QUERIES.values()
            for rank, text in live.execute(query.encode()).fetchall()
        }
    )
    failed = []
    copy.execute("SET search_path = ''")
    with copy.transaction():
        for _, statement in statements:
            try:
                with copy.transaction():
                    copy.execute(statement.encode())
            except psycopg.Error as error:
                failed.append(f"{statement}: {one_line(error)[:120]}")
    given = len(statements) - len(failed)
    yield note("rights-carried", f"{given:,} statements gave the copy the owners and rights that live has")
    if failed:
        more = f"; and {len(failed) - MOST_TOLD:,} more" if len(failed) > MOST_TOLD else ""
        told = "; ".join(failed[:MOST_TOLD]) + more
        yield doubt(
            "rights-not-carried",
            f"{len(failed):,} owners and rights of live could not be given to the copy: {told}",
            "the copy may lack what live has; see to it by hand after the handover",
        )
