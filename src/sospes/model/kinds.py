"""The kinds of entries: what a statement, or a line of a table of contents, defines or does."""

from __future__ import annotations

from enum import StrEnum


class Kind(StrEnum):
    """A kind of entry. Contents of archives may name others, which equal none of these."""

    ACCESS_METHOD = "access method"
    ACCOUNT = "account"
    ACTION = "action"
    AGGREGATE = "aggregate"
    ALTERATION = "alteration"
    ATTACH = "attach"
    CAST = "cast"
    CATALOG_UPDATE = "catalog update"
    COLLATION = "collation"
    COMMENT = "comment"
    CONSTRAINT = "constraint"
    CONVERSION = "conversion"
    DATA = "data"
    DATABASE = "database"
    DEFAULT = "default"
    DEFAULT_PRIVILEGES = "default privileges"
    DOMAIN = "domain"
    DROP = "drop"
    EMPTYING = "emptying"
    EVENT = "event"
    EVENT_TRIGGER = "event trigger"
    EXTENSION = "extension"
    FOREIGN_DATA_WRAPPER = "foreign data wrapper"
    FOREIGN_TABLE = "foreign table"
    FUNCTION = "function"
    GRANT = "grant"
    HOSTILE = "hostile"
    IDENTITY = "identity"
    INDEX = "index"
    LANGUAGE = "language"
    LARGE_OBJECT = "large object"
    LARGE_OBJECT_DATA = "large object data"
    LOCK = "lock"
    MATERIALIZED_VIEW = "materialized view"
    OPERATOR = "operator"
    OPERATOR_CLASS = "operator class"
    OPERATOR_FAMILY = "operator family"
    OWNERSHIP = "ownership"
    PACKAGE = "package"
    PACKAGE_BODY = "package body"
    POLICY = "policy"
    PROCEDURE = "procedure"
    PUBLICATION = "publication"
    REFRESH = "refresh"
    REPLICATION = "replication"
    ROLE = "role"
    ROLLBACK = "rollback"
    RULE = "rule"
    SCHEMA = "schema"
    SECURITY_LABEL = "security label"
    SEQUENCE = "sequence"
    SEQUENCE_OWNER = "sequence owner"
    SEQUENCE_VALUE = "sequence value"
    SERVER = "server"
    SETTING = "setting"
    STATISTICS = "statistics"
    STATISTICS_VALUES = "statistics values"
    SUBSCRIPTION = "subscription"
    TABLE = "table"
    TABLE_SETTING = "table setting"
    TABLESPACE = "tablespace"
    TEXT_SEARCH_CONFIGURATION = "text search configuration"
    TEXT_SEARCH_DICTIONARY = "text search dictionary"
    TEXT_SEARCH_PARSER = "text search parser"
    TEXT_SEARCH_TEMPLATE = "text search template"
    TRANSACTION = "transaction"
    TRANSFORM = "transform"
    TRIGGER = "trigger"
    TYPE = "type"
    UNKNOWN = "unknown"
    USE = "use"
    USER_MAPPING = "user mapping"
    VIEW = "view"
    VIRTUAL_TABLE = "virtual table"

    @classmethod
    def these(cls, names: str) -> frozenset[Kind]:
        """Kinds by their names, with commas between them. Raises KeyError for a name that is none."""
        known = {kind.value: kind for kind in cls}
        return frozenset(known[name] for name in names.replace("\n", " ").split(", "))

    @classmethod
    def _missing_(cls, value: object) -> Kind:
        """A kind that an engine's contents name and nobody here knows."""
        made = str.__new__(cls, value)
        made._name_ = made._value_ = str(value)
        return made
