"""Putting a checked side copy in the live name's place."""
