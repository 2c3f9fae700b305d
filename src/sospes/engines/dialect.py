"""What the rest of the program asks of an engine instead of its name."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, field

from sospes.engines.leave import Leave
from sospes.engines.statements import Statements
from sospes.engines.way_back import WayBack
from sospes.model.accounts import AccountFact
from sospes.model.entries import Engine, Entry, Name
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.model.types import Hold, Meaning


def _never(_name: Name) -> bool:
    return False


def _nothing_said(_text: str) -> str:
    return ""


def _later(_before: DatabaseObject, item: DatabaseObject, _entry: Entry) -> DatabaseObject:
    return item


def _no_accounts(_entry: Entry) -> Iterator[AccountFact]:
    return iter(())


def _no_version(_text: str) -> tuple[int, ...]:
    return ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Dialect:
    """How an engine says things, and what they mean there. A new engine is one of these, and a line in `registry.py`.

    title          what people call it
    grammar        what the library that translates conditions calls it
    quote          delimits a name
    hold           how values of a type are held, by the type's text
    meaning        what makes two values of a type the same, by the type's text and its collation
    is_exact       whether `meaning` is certain, by the same
    leave_of       what may become of a statement on a side copy
    objects_of     what an entry defines, besides rows
    joined         what two definitions of one name make together; the later one takes the earlier one's place
    accounts_of    what an entry says of who may do what on the whole server
    dropping       the statement that takes an object away
    statements     how rows are brought back
    way_back       how tables that are gone are brought back; None where there is no server to bring them to
    least_version  what a server's version must be at least, by the version that a backup is from
    is_own         whether the engine keeps a table for itself, which no backup defines
    unwritable     why its own client can't be given a name in a script; empty where it can
    has_server     whether there is a server that a backup can be restored on
    has_schemas    whether names are of schemas inside of databases
    typed          whether columns hold values of their type only
    folds_names    whether names of columns that differ by case are one
    folds_tables   whether names of tables that differ by case are one, on every system
    quotes_strings whether a quoted name that is no column's is taken for a string
    counts_by_name whether a counter of a table's rows is kept under the table's own name
    around         what stands before and behind the statements of a script that is to be kept whole
    own_databases  databases that every server has for itself
    extensions     extensions that may be made on a side copy, as they reach no file and no other server
    """

    engine: Engine
    title: str
    grammar: str
    quote: Callable[[str], str]
    hold: Callable[[str], Hold]
    meaning: Callable[[str, str | None], Meaning]
    is_exact: Callable[[str, str | None], bool]
    leave_of: Callable[[Entry], Leave]
    objects_of: Callable[[Entry], Iterator[tuple[ObjectKey, DatabaseObject]]]
    dropping: Callable[[ObjectKey], str]
    statements: Statements
    way_back: WayBack | None = None
    accounts_of: Callable[[Entry], Iterator[AccountFact]] = _no_accounts
    joined: Callable[[DatabaseObject, DatabaseObject, Entry], DatabaseObject] = _later
    least_version: Callable[[str], tuple[int, ...]] = _no_version
    is_own: Callable[[Name], bool] = _never
    unwritable: Callable[[str], str] = _nothing_said
    has_server: bool = True
    has_schemas: bool = False
    typed: bool = True
    folds_names: bool = True
    folds_tables: bool = False
    quotes_strings: bool = False
    counts_by_name: bool = False
    around: tuple[bytes, bytes] = (b"", b"")
    own_databases: frozenset[str] = frozenset()
    extensions: frozenset[str] = field(default_factory=frozenset)

    def fold(self, name: str) -> str:
        """A column's name, the same for all that the engine takes for one."""
        return name.casefold() if self.folds_names else name

    @property
    def way(self) -> WayBack:
        """How tables that are gone are brought back to a server of this engine."""
        assert self.way_back is not None  # asked for only where there is a server
        return self.way_back

    def says_alike(self, other: Dialect) -> bool:
        """Whether both engines write the same values in the same words."""
        return self.typed and self.engine.family is other.engine.family
