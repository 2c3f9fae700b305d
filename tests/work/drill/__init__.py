"""drill."""
