"""Writes the manual page docs/sospes.1 from the program's own options, and the JSON Schema of a drill's file."""

from __future__ import annotations

import json
import os
import sys
from pathlib import Path

from argparse_manpage.manpage import Manpage

from sospes.work.drill.plan import schema

PAGE = Path(__file__).parent.parent / "docs" / "sospes.1"
SCHEMA = PAGE.with_name("drill.schema.json")


def manual() -> str:
    """The page, the same on every machine and day."""
    os.environ["COLUMNS"] = "100"
    os.environ["SOURCE_DATE_EPOCH"] = "1795651200"  # the day of this version
    os.cpu_count = lambda: 4  # what is shown as default is so on most machines
    from sospes.cli.main import whole_parser

    parser = whole_parser()
    data = {
        "project_name": "sospes", "prog": "sospes", "manual_title": "Sospes",
        "description": "checks that backups are intact and restorable",
    }  # fmt: skip
    return str(Manpage(parser, format="pretty", _data=data))


def main() -> int:
    """Write both."""
    PAGE.write_text(manual())
    SCHEMA.write_text(json.dumps(schema(), indent=2) + "\n")
    return 0


if __name__ == "__main__":
    sys.exit(main())
