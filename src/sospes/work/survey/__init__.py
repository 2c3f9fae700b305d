"""Finds the backups that are there, by what is in them, and says of which databases they are and what is missing."""
