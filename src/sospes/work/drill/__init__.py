"""The unattended run over many backups: finds them, proves what is wanted, and ends in something to be read."""
