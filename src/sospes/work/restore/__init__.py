"""Restoring to a side copy: embedded, or on a server of the engine."""
