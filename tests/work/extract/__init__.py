"""Extracts."""
