"""The forms of backup that there are. A new one is added here, and nowhere else."""

from __future__ import annotations

from sospes.formats.archive.form import ARCHIVE
from sospes.formats.form import Form
from sospes.formats.script.form import SCRIPT
from sospes.formats.sqlite.form import DATABASE_FILE

FORMS: tuple[Form, ...] = (DATABASE_FILE, ARCHIVE, SCRIPT)
"""In the order in which they are asked; scripts come last, as they have no mark of their own."""
