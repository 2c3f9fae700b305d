"""Physical copies of a PostgreSQL cluster: base backups as folders or tars, with manifest, label, and log."""
