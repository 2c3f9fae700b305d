"""Roles, memberships and rights of a PostgreSQL server, in the words of its dumps; nothing of passwords.

Source: PostgreSQL documentation, "System Catalogs": pg_roles, pg_auth_members, pg_database, pg_default_acl.
"""

from __future__ import annotations

from typing import Any

import psycopg

from sospes.model.accounts import AccountKey, AccountKind

_ROLES = """
SELECT rolname, rolsuper, rolcreaterole, rolcreatedb, rolcanlogin, rolreplication, rolbypassrls, NOT rolinherit,
  rolconnlimit, rolvaliduntil IS NOT NULL AND rolvaliduntil <> 'infinity'
FROM pg_roles WHERE rolname NOT LIKE 'pg\\_%' AND rolname NOT LIKE 'sospes\\_%'
"""
_TRAITS = ("SUPERUSER", "CREATEROLE", "CREATEDB", "LOGIN", "REPLICATION", "BYPASSRLS", "NOINHERIT")
_MEMBERS = """
SELECT m.rolname, g.rolname, bool_or(a.admin_option) FROM pg_auth_members a JOIN pg_roles m ON m.oid = a.member
JOIN pg_roles g ON g.oid = a.roleid WHERE m.rolname NOT LIKE 'pg\\_%' GROUP BY 1, 2
"""
_DATABASES = """
SELECT d.datname, CASE a.grantee WHEN 0 THEN 'PUBLIC' ELSE pg_get_userbyid(a.grantee) END, a.privilege_type,
  a.is_grantable
FROM pg_database d, aclexplode(d.datacl) a WHERE a.grantee NOT IN (0, d.datdba) AND NOT d.datistemplate
"""
_DEFAULTS = """
SELECT pg_get_userbyid(f.defaclrole), n.nspname, f.defaclobjtype::text,
  CASE a.grantee WHEN 0 THEN 'PUBLIC' ELSE pg_get_userbyid(a.grantee) END, a.privilege_type, a.is_grantable
FROM pg_default_acl f LEFT JOIN pg_namespace n ON n.oid = f.defaclnamespace, aclexplode(f.defaclacl) a
WHERE a.grantee <> f.defaclrole AND NOT (a.grantee = 0 AND f.defaclnamespace = 0 AND f.defaclobjtype IN ('f', 'T'))
"""
_KINDS = {"r": "tables", "S": "sequences", "f": "functions", "T": "types", "n": "schemas"}


def accounts_of(session: psycopg.Connection[Any]) -> dict[AccountKey, frozenset[str]]:
    """Who may do what on a server. What everybody may do to databases is not told: it is so from the start."""
    found: dict[AccountKey, frozenset[str]] = {}
    for name, *flags, limit, until in session.execute(_ROLES).fetchall():
        traits = {trait for trait, given in zip(_TRAITS, flags, strict=True) if given}
        traits |= {f"CONNECTION LIMIT {limit}"} if limit >= 0 else set()
        traits |= {"VALID UNTIL"} if until else set()
        found[AccountKey(AccountKind.ACCOUNT, name)] = frozenset(traits)
    for member, group, admin in session.execute(_MEMBERS).fetchall():
        traits = {"member", *(["with admin option"] if admin else [])}
        found[AccountKey(AccountKind.MEMBER, member, group)] = frozenset(traits)
    for database, grantee, right, grantable in session.execute(_DATABASES).fetchall():
        _add(found, AccountKey(AccountKind.RIGHT, grantee, f"database {database}"), right, grantable)
    return found


def default_rights_of(session: psycopg.Connection[Any], database: str) -> dict[AccountKey, frozenset[str]]:
    """What new things in a database are given to others."""
    found: dict[AccountKey, frozenset[str]] = {}
    for owner, schema, kind, grantee, right, grantable in session.execute(_DEFAULTS).fetchall():
        where = f"{_KINDS.get(kind, kind)} of {owner}" + (f" in schema {schema}" if schema else "") + f" in {database}"
        _add(found, AccountKey(AccountKind.DEFAULT, grantee, where), right, grantable)
    return found


def _add(found: dict[AccountKey, frozenset[str]], key: AccountKey, right: str, grantable: bool) -> None:
    found[key] = found.get(key, frozenset()) | {right + ("*" if grantable else "")}
