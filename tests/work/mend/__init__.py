"""Mending."""
