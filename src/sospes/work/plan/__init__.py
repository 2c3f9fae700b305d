"""Plans a restore: which files it would need, in which order, what is missing, and how far it would reach."""
