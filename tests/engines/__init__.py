"""Engines, in words."""
