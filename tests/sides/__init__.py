"""Side copies, and live databases."""
