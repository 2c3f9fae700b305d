"""The forms of backup that there are. A new one is added here, and nowhere else."""

from __future__ import annotations

from sospes.formats.archive.form import ARCHIVE
from sospes.formats.base.form import BASE_BACKUP
from sospes.formats.form import Form, Words
from sospes.formats.script.form import SCRIPT
from sospes.formats.sqlite.form import DATABASE_FILE
from sospes.formats.wal.form import CHANGE_LOGS

FORMS: tuple[Form, ...] = (DATABASE_FILE, ARCHIVE, BASE_BACKUP, CHANGE_LOGS, SCRIPT)
"""In the order in which they are asked; scripts come last, as they have no mark of their own."""


def words_of(name: str) -> Words:
    """How a form is spoken of, by the name that it has in documents; of one that isn't there no more is known."""
    unknown = Words(title=name, whole="yes", cut_off="no")
    return next((form.words for form in FORMS if form.name == name), unknown)
