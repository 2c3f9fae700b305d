"""PostgreSQL servers: live databases, and side copies."""
