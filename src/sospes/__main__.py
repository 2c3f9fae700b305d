"""`python -m sospes`."""

from __future__ import annotations

if __name__ == "__main__":  # a further process of this one imports it, too, and begins nothing
    from sospes.start import entry

    entry()
