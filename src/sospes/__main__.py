"""`python -m sospes`."""

from sospes.start import entry

entry()
