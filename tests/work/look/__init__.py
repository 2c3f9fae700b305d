"""Looking at backups."""
