"""Where backups lie: local files, pieces in order, standard input."""
