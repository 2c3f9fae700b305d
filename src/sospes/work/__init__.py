"""The jobs: one module for each thing a person asks of a backup."""
