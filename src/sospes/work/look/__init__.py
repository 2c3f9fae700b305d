"""Looking at backups: what they are, and whether every byte is as it should be."""
