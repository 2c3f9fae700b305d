"""Rows of a physical copy, by the server that it was recovered on."""

from __future__ import annotations

from contextlib import ExitStack
from dataclasses import dataclass, field, replace

from sospes.formats.opening import Opening
from sospes.model.accounts import Accounts
from sospes.model.errors import CannotCheck
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.work.compare.sides.backup import BackupRows
from sospes.work.compare.sides.live import LiveRows
from sospes.work.compare.sides.protocol import ObjectSide
from sospes.work.restore.copied import RecoveredCopy


@dataclass(slots=True)
class RecoveredRows(LiveRows):
    """Rows and objects as the server has them, and the statements that would make these anew.

    own_role  whom the private server got so that it can be asked
    """

    live = False
    own_role: str | None = None
    statements: dict[ObjectKey, tuple[bytes, ...]] = field(default_factory=dict)

    def __post_init__(self) -> None:
        """Read the catalog. Of tables without a log a recovery finds no rows."""
        super(RecoveredRows, self).__post_init__()
        for name, table in self._live.items():
            self.tables[name] = replace(self.tables[name], kept=table.logged)

    def take_definitions(self, definitions: BackupRows) -> None:
        """Take in what a catalog doesn't tell as it is wanted: which table refers to which, and statements."""
        for name, table in definitions.tables.items():
            if name in self.tables:
                self.tables[name] = replace(self.tables[name], references=table.references)
        for objects in definitions.objects.found.values():
            self.statements |= {key: item.statements for key, item in objects.items()}

    def objects_of(self, database: str | None, *, every: bool) -> ObjectSide | None:
        """What the database has besides rows, with the statements that make it."""
        side = super(RecoveredRows, self).objects_of(database, every=every)
        if side is None:
            return None
        ours = ObjectKey("role", "", self.own_role or "")
        found = {key: self._stated(key, item) for key, item in side.found.items() if key != ours}
        return replace(side, found=found, is_side_copy=False)

    def accounts(self) -> Accounts | None:
        """Who may do what on the server, but for whom we made there."""
        found = super(RecoveredRows, self).accounts()
        return None if found is None else {key: traits for key, traits in found.items() if key.who != self.own_role}

    def _stated(self, key: ObjectKey, item: DatabaseObject) -> DatabaseObject:
        return replace(item, statements=self.statements.get(key, ()))


def open_recovered(copy: RecoveredCopy, opening: Opening, stack: ExitStack) -> RecoveredRows:
    """The side of a copy that was recovered. Raises CannotCheck where it could not be."""
    database = copy.live()
    if database is None or copy.address is None:
        problem = next((one for one in copy.findings if one.severity.verdict), copy.findings[-1])
        raise CannotCheck(f"{copy.path}: {problem.message}", problem.advice)
    stack.callback(database.close)
    side = RecoveredRows(database=database, database_name=copy.address.database, own_role=copy.address.user)
    side.name, side.backup = str(copy.path), copy.path
    side.findings += copy.findings
    side.written_at = copy.reached.time if copy.reached is not None else None
    if copy.address.database is not None:
        side.take_definitions(BackupRows(copy.path, opening).read())
    return side
