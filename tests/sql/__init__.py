"""SQL text."""
