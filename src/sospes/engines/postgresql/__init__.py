"""PostgreSQL in words."""
