"""SQL scripts as PostgreSQL, MariaDB, MySQL and SQLite write them."""
