"""MariaDB and MySQL servers: live databases, and side copies."""
