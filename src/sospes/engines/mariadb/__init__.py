"""MariaDB and MySQL in words."""
