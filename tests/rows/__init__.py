"""The meaning of values."""
