"""Seals: sidecars that prove a backup unchanged, and lead to its parts."""
