"""Forms of backup."""
