"""Tidying."""
