"""How backup programs word the statements that stand around definitions and rows, and what in one is damaged.

A statement is folded as in grammar.py and held against the forms that the programs write; in settings a word that
differs from one of theirs in a single bit is damaged. Only scripts that a backup program wrote are judged like this.

Sources: PostgreSQL documentation, "SET", "CREATE SEQUENCE", "ALTER TABLE"; MariaDB Knowledge Base, "SET",
"LOCK TABLES", "SQL_MODE".
"""

from __future__ import annotations

import re
from collections.abc import Callable
from functools import cache, lru_cache

from sospes.model.entries import Engine
from sospes.sql.grammar import NAME, QUALIFIED, folded_item
from sospes.sql.judging.agreement import one_bit_apart
from sospes.sql.keywords import CHARACTER_SETS, near_keyword
from sospes.sql.lexis import Lexis
from sospes.sql.phrase import Phrase

_VALUE = rf"(?:S(?: S)?|-? ?#|@?@?{NAME}(?: \. {NAME})*(?: P)?|P)"
_ASSIGNED = rf"@?@?{NAME}(?: \. {NAME})* (?:: )?= {_VALUE}"
_TABLE_FORM = (
    rf"create (?:(?:unlogged|foreign|global|local|temp|temporary) )*table (?:if not exists )?{QUALIFIED}"
    rf"(?: of {QUALIFIED}| partition of {QUALIFIED})?(?: P)?(?: inherits P| partition by (?:range|list|hash) P|"
    rf" for values .+?| default| using {NAME}| with P| with(?:out)? oids| on commit .+?| tablespace {NAME}|"
    rf" server {NAME}| options P)* ;|create .* as (?:select|values|table|execute)\b.*"
)
_ROUTINE_FORM = r"create [^`!~?|&^<>{}\\]+ as S(?: , S)? ;|create .+ (?:begin atomic|return)\b.*"
_FORMS = {
    (Engine.POSTGRESQL, "sequence"): (
        rf"create (?:unlogged )?sequence {QUALIFIED}(?: as {QUALIFIED})?(?: start with -? ?#)?"
        r"(?: increment by -? ?#)?(?: minvalue -? ?#| no minvalue)?(?: maxvalue -? ?#| no maxvalue)?"
        r"(?: cache #)?(?: (?:no )?cycle)?(?: owned by .+)? ;"
    ),
    (Engine.POSTGRESQL, "type"): rf"create type {QUALIFIED}(?: as (?:enum P|range P|P)| P)? ;",
    (Engine.POSTGRESQL, "table"): _TABLE_FORM,
    (Engine.POSTGRESQL, "foreign table"): _TABLE_FORM + "|import .*",
    (Engine.POSTGRESQL, "function"): _ROUTINE_FORM,
    (Engine.POSTGRESQL, "procedure"): _ROUTINE_FORM,
    (Engine.POSTGRESQL, "attach"): (
        rf"alter (?:index {QUALIFIED} attach partition {QUALIFIED}|"
        rf"table(?: only)? {QUALIFIED} (?:inherit {QUALIFIED}|"
        rf"attach partition {QUALIFIED} (?:default|for values .+))) ;"
    ),
    (Engine.POSTGRESQL, "alteration"): (
        rf"alter (?!index|sequence).+ ;|alter index(?: if exists)? {QUALIFIED} (?:attach partition|set|reset|"
        rf"alter column|rename|(?:no )?depends on).* ;|alter sequence(?: if exists)? {QUALIFIED} (?:owned by|as|start|"
        r"increment|restart|no|minvalue|maxvalue|cache|cycle|set|rename).* ;"
    ),
    (Engine.POSTGRESQL, "table setting"): (
        rf"alter (?:foreign )?table(?: if exists)?(?: only)? {QUALIFIED} (?:alter|enable|disable|force|no force|"
        r"cluster on|replica identity|set|reset|validate constraint|owner to|of|not of|no inherit|inherit|rename|"
        r"add column|detach|options|drop)\b.* ;"
    ),
    (Engine.POSTGRESQL, "large object data"): (r"select (?:pg_catalog \. )?(?:lo_open|lowrite|lo_close) P ;"),
    (Engine.POSTGRESQL, "ownership"): (rf"alter .+ owner to {NAME} ;"),
    (Engine.POSTGRESQL, "sequence owner"): (
        rf"alter sequence {QUALIFIED} owned by (?:none|{QUALIFIED}(?: \. {NAME})?) ;"
    ),
    (Engine.POSTGRESQL, "setting"): (
        rf"set (?:session |local )?{NAME}(?: \. {NAME})? (?:=|to) (?:{_VALUE})(?: , {_VALUE})* ;|"
        r"set (?:session|local|time|names|role|transaction|constraints|xml)\b.* ;|reset .+ ;|"
        r"select pg_catalog \. set_config P ;|"
        r"discard .+ ;"
    ),
    (Engine.MARIADB, "setting"): (
        rf"set (?:session |global |local |password )?{_ASSIGNED}(?: , (?:session |global |local )?{_ASSIGNED})* ;|"
        rf"set (?:names|character set) (?:{NAME}|S)(?: collate (?:{NAME}|S))? ;|"
        r"(?:set (?:transaction|session transaction|statement|role|default|resource)|flush)\b.* ;"
    ),
    (Engine.MARIADB, "lock"): (
        rf"lock tables? {QUALIFIED}(?: (?:as )?{NAME})? (?:write|read(?: local)?)"
        rf"(?: , {QUALIFIED}(?: (?:as )?{NAME})? (?:write|read(?: local)?))* ;|unlock tables? ;"
    ),
    (Engine.MARIADB, "drop"): (
        r"drop (?:temporary )?(?:table|view|database|schema|function|procedure|trigger|event|sequence|"
        rf"package(?: body)?|user|role|index)(?: if exists)? (?:{QUALIFIED}|S)(?: , {QUALIFIED})*(?: on {QUALIFIED})?"
        r"(?: cascade| restrict)? ;|drop (?:user|role)\b.* ;"
    ),
    (Engine.MARIADB, "table setting"): (
        rf"alter table {QUALIFIED} (?:(?:enable|disable) keys|(?:add|drop|modify|change|rename|engine|convert|default|"
        r"comment|auto_increment|discard|import|order|partition|remove|force|alter)\b.*) ;"
    ),
}
_LARGE_OBJECT = re.compile(
    rb"select\s+(?:pg_catalog\.)?(?:lo_open\('\d+',\s*\d+\)|lo_close\(\d+\)|"
    rb"lowrite\(\d+,\s*(?:'\\x(?:[0-9a-f]{2})*'|E?'(?!\\x)[^']*(?:''[^']*)*')\))\s*;",
    re.I,
)
_IDENTITY = re.compile(
    r"\(\s*(?:as \w+ )?(?:sequence name (?:(?:\"(?:[^\"]|\"\")*+\"|[^\s\".]++)\.?+)++ )?"
    r"(?:start with -?\d+ )?(?:increment by -?\d+ )?"
    r"(?:no minvalue |minvalue -?\d+ )?(?:no maxvalue |maxvalue -?\d+ )?(?:cache \d+ )?(?:(?:no )?cycle ?)?\)\s*;",
    re.I,
)
_CHARACTERS = re.compile(
    rb"(?:(?<![@\w])character_set_(?:client|results|connection|server|database)\s*=|set\s+names)\s*(?!@)(\w+)", re.I
)
_MODES = re.compile(rb"(?<![@\w])sql_mode\s*=\s*'([^']*)'", re.I)
_KNOWN_MODES = frozenset(
    (
        "allow_invalid_dates ansi ansi_quotes db2 empty_string_is_null error_for_division_by_zero high_not_precedence "
        "ignore_bad_table_options ignore_space maxdb mssql mysql323 mysql40 no_auto_create_user no_auto_value_on_zero "
        "no_backslash_escapes no_dir_in_create no_engine_substitution no_field_options no_key_options no_table_options "
        "no_unsigned_subtraction no_zero_date no_zero_in_date only_full_group_by oracle pad_char_to_full_length "
        "pipes_as_concat postgresql real_as_float simultaneous_assignment strict_all_tables strict_trans_tables "
        "time_round_fractional traditional"
    ).split()
) | {""}
_TAIL = frozenset(
    "engine innodb myisam aria default charset collate auto_increment row_format comment dynamic compressed".split()
)
_SETTINGS = frozenset(
    (
        "system set session global local names character collate sql_mode time_zone unique_checks foreign_key_checks "
        "sql_notes character_set_client character_set_results character_set_connection collation_connection "
        "autocommit system_versioning_insert_history note_verbosity sql_log_bin gtid_purged sql_require_primary_key "
        "old_character_set_client old_character_set_results old_collation_connection old_time_zone "
        "old_unique_checks old_foreign_key_checks old_sql_mode old_sql_notes old_system_versioning_insert_history "
        "old_note_verbosity old_autocommit saved_cs_client saved_cs_results saved_col_connection saved_sql_mode "
        "saved_time_zone current_role statement_timeout lock_timeout idle_in_transaction_session_timeout "
        "transaction_timeout client_encoding standard_conforming_strings check_function_bodies xmloption "
        "client_min_messages row_security default_tablespace default_table_access_method default_with_oids "
        "default_toast_compression search_path escape_string_warning default_transaction_read_only content off on "
        "warning false true heap latin1 latin2 utf8 utf8mb3 utf8mb4 binary utf8mb4_general_ci utf8mb4_unicode_ci "
        "utf8mb4_bin utf8mb3_general_ci latin1_swedish_ci utf8mb4_uca1400_ai_ci utf8mb3_uca1400_ai_ci "
        "utf8mb4_0900_ai_ci utf8mb4_unicode_520_ci strict_trans_tables error_for_division_by_zero "
        "no_auto_create_user no_engine_substitution no_auto_value_on_zero no_zero_date no_zero_in_date "
        "strict_all_tables only_full_group_by "
    ).split()
)
"""Words of the settings that backup programs write; one that differs from such a word in one bit is damaged."""
_WORDS = re.compile(r"\w+")
_DIGITS = re.compile(r"\d+")
_KNOWN = _SETTINGS | _TAIL


def strange_statement(kind: str, words: Callable[[], Phrase], lexis: Lexis) -> str:
    """What in a statement that a backup program wrote is none of its words; empty if all is."""
    pattern = _pattern(lexis.engine.family, kind)
    if pattern is None:
        return ""
    phrase = words()
    statement = phrase.statement
    folded, _ = folded_item(phrase, 0, len(phrase.tokens))
    if not folded.endswith(";"):
        folded = f"{folded.removesuffix(' ' + lexis.delimiter.decode('latin-1'))} ;"
    while folded.endswith("; ;"):
        folded = folded[:-2]
    text = " ".join(statement[:300].decode(lexis.encoding, "replace").split())[:80]
    if pattern.fullmatch(folded) is None:
        return text
    if kind == "large object data" and _LARGE_OBJECT.fullmatch(statement.strip()) is None:
        return text
    if kind == "setting" and _damaged_setting(statement[:2000]):
        return text
    return ""


_BODIES = frozenset({"begin", "do", "return", "select", "as", "row"})
"""Words behind which a routine, trigger, event or view of MariaDB has text of its own."""

_BANNER = re.compile(rb"\n--\n-- (?:Name: |Data for Name: |PostgreSQL database)")


def strange_words(kind: str, words: Callable[[], Phrase], lexis: Lexis) -> str:
    """A word outside of names and strings that a single bit keeps from being a keyword, or what swallowed a heading."""
    if kind in _FREE or (lexis.is_mariadb and kind not in _MARIADB_WORDED):
        return ""
    phrase = words()
    statement, mariadb = phrase.statement, lexis.is_mariadb
    routine = mariadb and kind in _ROUTINES
    depth = 0
    for token in phrase.tokens:
        if token.kind == "mark":
            depth += (token.text == "(") - (token.text == ")")
        elif token.kind == "word":
            if routine and token.word in _BODIES:
                break
            raw = statement[token.start : token.end]
            if (mariadb or raw.isupper()) and not (routine and depth > 0):  # people name parameters
                said = raw.decode("latin-1")
                if meant := near_keyword(said, lexis.engine):
                    return f"{said}, where {meant} is a keyword"
    if not mariadb and (banner := _BANNER.search(statement)) is not None:
        at = banner.start() + 1
        if not any(token.start <= at < token.end for token in phrase.tokens):
            return "its end is missing, so that it goes over into the next one"
    if mariadb and not routine and depth:
        return "its parentheses don't agree"
    return ""


_FREE = frozenset({"data", "comment", "large object data", "statistics values", "setting"})
_ROUTINES = frozenset({"function", "procedure", "trigger", "event", "view"})
_MARIADB_WORDED = _ROUTINES | {
    "table",
    "lock",
    "table setting",
    "sequence",
    "drop",
    "sequence value",
    "database",
    "use",
}


@cache
def _pattern(engine: Engine, kind: str) -> re.Pattern[str] | None:
    """The forms of a kind of statement, compiled where it is met: most runs meet few of them."""
    form = _FORMS.get((engine, kind))
    return None if form is None else re.compile(form)


def strange_identity(statement: str) -> bool:
    """Whether the options of an identity's sequence are none that a backup program writes."""
    begin = statement.find("(", statement.upper().find("AS IDENTITY"))
    return begin >= 0 and _IDENTITY.fullmatch(" ".join(statement[begin:].split())) is None


def strange_tail(phrase: Phrase) -> str:
    """The options behind a table's body in MariaDB, if one is damaged."""
    after = _after_body(phrase)
    folded, _ = folded_item(phrase, after, len(phrase.tokens))
    if _TABLE_OPTIONS.fullmatch(folded) is None:
        return phrase.text(after, len(phrase.tokens)).strip()[:80]
    statement = phrase.statement
    tail = statement[statement.rfind(b"\n)") :].split(b"COMMENT=")[0].decode("latin-1")
    return tail.strip()[:80] if any(map(_damaged_word, _WORDS.findall(tail))) else ""


_TABLE_OPTION = (
    r"(?:(?:default|data|index) )?"
    rf"(?:comment = S|(?!(?:comment|with|without|partition)\b){NAME}(?: set)?(?: =)? (?:S|#|{NAME}|P))"
)
_TABLE_OPTIONS = re.compile(
    rf"(?:{_TABLE_OPTION}(?:(?: ,)? {_TABLE_OPTION})*+)?"
    r"(?: ?with(?:out)? system versioning)?(?: ?partition by .+)? ?(?:;|/ /|\$ \$)?",
    re.DOTALL,
)


def _after_body(phrase: Phrase) -> int:
    """The index of the token behind the parentheses of CREATE TABLE."""
    for index, token in enumerate(phrase.tokens):
        if token.word == "(":
            phrase.position = index
            phrase.group()
            return phrase.position
    return len(phrase.tokens)


def _damaged_setting(statement: bytes) -> bool:
    for found in _CHARACTERS.findall(statement):
        if found.decode("latin-1").lower() not in CHARACTER_SETS:
            return True
    for modes in _MODES.findall(statement):
        if any(mode.decode("latin-1").lower() not in _KNOWN_MODES for mode in modes.split(b",")):
            return True
    return any(map(_damaged_word, _WORDS.findall(statement.decode("latin-1"))))


@cache
def _known_without_digits() -> frozenset[str]:
    return frozenset(_DIGITS.sub("", known) for known in _KNOWN)


@lru_cache(maxsize=4096)
def _damaged_word(word: str) -> bool:
    """Whether a word is one bit away from one that is known, in either case."""
    if word.lower() in _KNOWN or len(word) < 5:
        return False
    if _DIGITS.sub("", word.lower()) in _known_without_digits():
        return False  # character sets are numbered
    alike = [known for known in _KNOWN if len(known) == len(word)]
    return any(one_bit_apart(word, known) or one_bit_apart(word, known.upper()) for known in alike)
