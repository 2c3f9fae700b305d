"""The house itself."""
