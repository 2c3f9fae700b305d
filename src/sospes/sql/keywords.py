"""Keywords that backup programs write, and words that a single bit keeps from being one.

Sources: PostgreSQL documentation, "SQL Key Words" and the options of CREATE AGGREGATE, OPERATOR, TYPE and FUNCTION;
MariaDB Knowledge Base, "Reserved Words", "SHOW CREATE TABLE", "SHOW CREATE EVENT", "Supported Character Sets".
"""

from __future__ import annotations

import re
from functools import lru_cache

from sospes.model.entries import Engine

_POSTGRESQL = frozenset(
    (
        "ABORT ABSENT ABSOLUTE ACCESS ACTION ADD ADMIN AFTER AGGREGATE ALIGNMENT ALL ALSO ALTER ALWAYS ANALYSE "
        "ANALYZE AND ANY ARRAY AS ASC ASENSITIVE ASSERTION ASSIGNMENT ASYMMETRIC AT ATOMIC ATTACH ATTRIBUTE "
        "AUTHORIZATION BACKWARD BASETYPE BEFORE BEGIN BETWEEN BIGINT BINARY BIT BOOLEAN BOTH BREADTH BTREE "
        "BUFFERS BY BYPASSRLS CACHE CALL CALLED CANONICAL CASCADE CASCADED CASE CAST CATALOG CATEGORY CHAIN CHAR "
        "CHARACTER CHARACTERISTICS CHECK CHECKPOINT CLASS CLOSE CLUSTER COALESCE COLLATABLE COLLATE COLLATION "
        "COLLATION_VERSION COLUMN COLUMNS COMBINEFUNC COMMENT COMMENTS COMMIT COMMITTED COMMUTATOR COMPRESSION "
        "CONCURRENTLY CONDITIONAL CONFIGURATION CONFLICT CONNECT CONNECTION CONSTRAINT CONSTRAINTS CONTENT "
        "CONTINUE CONVERSION COPY COST CREATE CREATEDB CREATEROLE CROSS CSV CUBE CURRENT CURRENT_CATALOG "
        "CURRENT_DATE CURRENT_ROLE CURRENT_SCHEMA CURRENT_TIME CURRENT_TIMESTAMP CURRENT_USER CURSOR CYCLE DATA "
        "DATABASE DAY DEALLOCATE DEC DECIMAL DECLARE DEFAULT DEFAULTS DEFERRABLE DEFERRED DEFINER DELETE "
        "DELIMITER DELIMITERS DEPENDS DEPTH DESC DESERIALFUNC DETACH DETERMINISTIC DICTIONARY DISABLE DISCARD "
        "DISTINCT DO DOCUMENT DOMAIN DOUBLE DROP EACH ELEMENT ELSE EMPTY ENABLE ENCODING ENCRYPTED END ENFORCED "
        "ENUM ERROR ESCAPE EVENT EXCEPT EXCLUDE EXCLUDING EXCLUSIVE EXECUTE EXISTS EXPLAIN EXPRESSION EXTENSION "
        "EXTERNAL EXTRACT FALSE FAMILY FETCH FILTER FINALFUNC FINALFUNC_EXTRA FINALFUNC_MODIFY FINALIZE FIRST "
        "FLOAT FOLLOWING FOR FORCE FOREIGN FORMAT FORWARD FREEZE FROM FULL FUNCTION FUNCTIONS GENERATED GIN GIST "
        "GLOBAL GRANT GRANTED GREATEST GROUP GROUPING GROUPS HANDLER HASH HASHES HAVING HEADER HOLD HOUR "
        "HYPOTHETICAL ICU_RULES IDENTITY IF ILIKE IMMEDIATE IMMUTABLE IMPLICIT IMPORT IN INCLUDE INCLUDING "
        "INCREMENT INDENT INDEX INDEXES INHERIT INHERITS INITCOND INITIALLY INLINE INNER INOUT INPUT INSENSITIVE "
        "INSERT INSTEAD INT INTEGER INTERNALLENGTH INTERSECT INTERVAL INTO INVOKER IS ISNULL ISOLATION JOIN JSON "
        "KEEP KEY KEYS LABEL LANGUAGE LARGE LAST LATERAL LC_COLLATE LC_CTYPE LEADING LEAKPROOF LEAST LEFT LEFTARG "
        "LEVEL LIKE LIMIT LIST LISTEN LOAD LOCAL LOCALE LOCALE_PROVIDER LOCALTIME LOCALTIMESTAMP LOCATION LOCK "
        "LOCKED LOGGED LOGIN MAINTAIN MAPPING MATCH MATCHED MATERIALIZED MAXVALUE MERGE MERGES METHOD MFINALFUNC "
        "MFINALFUNC_EXTRA MINITCOND MINUTE MINVALUE MINVFUNC MODE MODIFY MONTH MOVE MSFUNC MSPACE MSSPACE MSTYPE "
        "MULTIRANGE_TYPE_NAME NAME NAMES NATIONAL NATURAL NCHAR NEGATOR NESTED NEW NEXT NFC NFD NFKC NFKD NO "
        "NOBYPASSRLS NOCREATEDB NOCREATEROLE NOINHERIT NOLOGIN NONE NOREPLICATION NORMALIZE NORMALIZED "
        "NOSUPERUSER NOT NOTHING NOTIFY NOTNULL NOWAIT NULL NULLIF NULLS NUMERIC OBJECT OF OFF OFFSET OIDS OLD "
        "OMIT ON ONLY OPERATOR OPTION OPTIONS OR ORDER ORDINALITY OTHERS OUT OUTER OUTPUT OVER OVERLAPS OVERLAY "
        "OVERRIDING OWNED OWNER PARALLEL PARAMETER PARSER PARTIAL PARTITION PASSEDBYVALUE PASSING PASSWORD PERIOD "
        "PERMISSIVE PLACING PLAIN PLANS POLICY POSITION PRECEDING PRECISION PREFERRED PREPARE PREPARED PRESERVE "
        "PRIMARY PRIOR PRIVILEGES PROCEDURAL PROCEDURE PROCEDURES PROGRAM PROVIDER PUBLIC PUBLICATION QUOTE "
        "QUOTES RANGE READ READ_ONLY READ_WRITE REAL REASSIGN RECEIVE RECHECK RECURSIVE REF REFERENCES "
        "REFERENCING REFRESH REINDEX RELATIVE RELEASE RENAME REPEATABLE REPLACE REPLICA REPLICATION RESET RESTART "
        "RESTRICT RESTRICTED RESTRICTIVE RETURN RETURNING RETURNS REVOKE RIGHT RIGHTARG ROLE ROLLBACK ROLLUP "
        "ROUTINE ROUTINES ROW ROWS RULE SAFE SAVEPOINT SCALAR SCHEMA SCHEMAS SCROLL SEARCH SECOND SECURITY SELECT "
        "SEND SEQUENCE SEQUENCES SERIALFUNC SERIALIZABLE SERVER SESSION SESSION_USER SET SETOF SETS SFUNC SHARE "
        "SHAREABLE SHOW SIMILAR SIMPLE SKIP SMALLINT SNAPSHOT SOME SORTOP SOURCE SQL SSPACE STABLE STANDALONE "
        "START STATEMENT STATISTICS STDIN STDOUT STORAGE STORED STRATEGY STRICT STRING STRIP STYPE SUBSCRIPT "
        "SUBSCRIPTION SUBSTRING SUBTYPE SUBTYPE_COLLATION SUBTYPE_DIFF SUBTYPE_OPCLASS SUPERUSER SUPPORT "
        "SYMMETRIC SYSID SYSTEM SYSTEM_USER TABLE TABLES TABLESAMPLE TABLESPACE TARGET TEMP TEMPLATE TEMPORARY "
        "TEXT THEN TIES TIME TIMESTAMP TO TRAILING TRANSACTION TRANSFORM TREAT TRIGGER TRIM TRUE TRUNCATE TRUSTED "
        "TYPE TYPES TYPMOD_IN TYPMOD_OUT UESCAPE UNBOUNDED UNCOMMITTED UNCONDITIONAL UNENCRYPTED UNION UNIQUE "
        "UNKNOWN UNLISTEN UNLOGGED UNSAFE UNTIL UPDATE USAGE USER USING VACUUM VALID VALIDATE VALIDATOR VALUE "
        "VALUES VARCHAR VARIABLE VARIADIC VARYING VERBOSE VERSION VIEW VIEWS VIRTUAL VOLATILE WHEN WHERE "
        "WHITESPACE WINDOW WITH WITHIN WITHOUT WORK WRAPPER WRITE XML XMLATTRIBUTES XMLCONCAT XMLELEMENT "
        "XMLEXISTS XMLFOREST XMLNAMESPACES XMLPARSE XMLPI XMLROOT XMLSERIALIZE XMLTABLE YEAR YES ZONE"
    ).split()
)
_MARIADB = frozenset(
    (
        "add after aggregate algorithm all alter always analyze and any as asc at auto_increment before begin "
        "between bigint binary bit blob body bool boolean both btree by byte call cascade case cascaded change "
        "char character charset check checksum cluster coalesce collate collation column columns comment commit "
        "completion compressed compression connection constraint contains convert create current "
        "current_timestamp current_user cycle data database date datetime day day_hour day_minute day_second "
        "decimal declare default definer delayed delete desc deterministic disable discard distinct do double "
        "drop dynamic each else elseif enable encrypted encryption encryption_key_id end ends enforced engine "
        "enum event every execute exists exit false fixed float for force foreign from full fulltext function "
        "generated geometry geometrycollection global grant group hash having hour hour_minute hour_second if "
        "ignore ignored in increment index inet4 inet6 inner innodb inout insert int integer interval into "
        "invisible invoker is join json key key_block_size keys language last leave left less like limit linear "
        "linestring list local localtime localtimestamp lock longblob longtext loop match max_rows maxvalue "
        "mediumblob mediumint mediumtext merge min_rows minute minute_second minvalue mode modifies modify month "
        "multilinestring multipoint multipolygon myisam aria names national new next no nocache nocycle not null "
        "nullable numeric of old on or order out outer over overlaps package pack_keys page page_checksum "
        "page_compressed page_compression_level parser partition partitions password period persistent point "
        "polygon precedes follows precision preserve primary procedure quarter range read reads real redundant "
        "references rename repeat replace restrict return returns right role rollback row row_format rows rtree "
        "schedule schema second security select sequence session set signed slave smallint spatial sql srid "
        "starting start starts stats_auto_recalc stats_persistent stats_sample_pages status storage stored "
        "subpartition subpartitions system system_time table tables temporary temptable text than then time "
        "timestamp tinyblob tinyint tinytext to trigger true undefined union unique unlock unsigned until update "
        "use user using utc_date utc_time utc_timestamp uuid value values varbinary varchar varcharacter varying "
        "vector versioning view virtual visible week when where while with without write year year_month zerofill "
        "json_valid nextval setval curdate now current_date latin1 utf8mb3 utf8mb4 utf8 ascii ucs2 utf16 utf32 "
        "cp1251 cp1252 greek hebrew"
    ).split()
)
CHARACTER_SETS = frozenset(
    (
        "armscii8 ascii big5 binary cp1250 cp1251 cp1256 cp1257 cp850 cp852 cp866 cp932 dec8 default eucjpms "
        "euckr gb2312 gb18030 gbk geostd8 greek hebrew hp8 keybcs2 koi8r koi8u latin1 latin2 latin5 latin7 macce "
        "macroman sjis swe7 tis620 ucs2 ujis utf16 utf16le utf32 utf8 utf8mb3 utf8mb4"
    ).split()
)
"""All character sets of MariaDB and MySQL."""
_TYPES = frozenset(
    (
        "smallint integer bigint int int2 int4 int8 numeric decimal real double float float4 float8 boolean bool "
        "bytea text character char varchar bpchar name date time timetz timestamp timestamptz interval uuid json "
        "jsonb jsonpath xml inet cidr macaddr macaddr8 point line lseg box path polygon circle tsvector tsquery "
        "money bit varbit oid xid xid8 cid tid int4range int8range numrange tsrange tstzrange daterange "
        "int4multirange int8multirange nummultirange tsmultirange tstzmultirange datemultirange regclass regtype "
        "regproc regprocedure regoper regoperator regrole regnamespace regconfig regdictionary regcollation "
        "pg_lsn pg_snapshot txid_snapshot refcursor int2vector oidvector aclitem serial bigserial smallserial"
    ).split()
)
"""PostgreSQL's own types, which stand in definitions without a schema; all others have theirs before them."""
_WORDS = {Engine.POSTGRESQL: _POSTGRESQL, Engine.MARIADB: _MARIADB}
_BARE_TYPE = re.compile(r"[a-z_][a-z0-9_]*+(?!\s*\.)", re.ASCII)
_LONG = 4
"""Letters of a word that is too long to be near another one by chance."""


def near_keyword(word: str, engine: Engine) -> str:
    """The keyword that `word`, which is none, is a single bit away from; empty without any.

    PostgreSQL's programs write keywords in capitals and names with capitals in quotes, so that a bare word of capitals
    is a keyword or damaged. MariaDB's write all names in quotes, and keywords in either case.
    """
    return _near(word, engine.family)


@lru_cache(maxsize=4096)
def near_type(text: str) -> str:
    """What is wrong with a type of PostgreSQL: it is none of the server's own, and a single bit away from one."""
    match = _BARE_TYPE.match(text)
    if match is None or match[0] in _TYPES or len(match[0]) < _LONG:
        return ""
    meant = _flipped(match[0], _TYPES)
    return f"{match[0]}, where {meant} is a type" if meant else ""


def _flipped(word: str, words: frozenset[str]) -> str:
    """One of the words that is a single bit away from `word`."""
    others = (
        word[:place] + chr(ord(letter) ^ (1 << bit)) + word[place + 1 :]
        for place, letter in enumerate(word)
        for bit in range(7)
    )
    return next((other for other in others if other in words), "")


@lru_cache(maxsize=4096)
def _near(word: str, engine: Engine) -> str:
    words = _WORDS.get(engine)
    if words is None or len(word) < _LONG or not word.isascii():
        return ""
    upper = engine is Engine.POSTGRESQL
    said = word if upper else word.lower()
    return "" if said in words else _flipped(said, words)
