"""The program as a whole."""
