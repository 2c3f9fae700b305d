"""Real database servers: connections, reading live tables, and private servers for side copies."""
