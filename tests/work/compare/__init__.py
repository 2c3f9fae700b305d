"""Comparisons."""
