"""`python -m sospes`."""

from sospes.cli.main import entry

entry()
