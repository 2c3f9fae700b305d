"""Side copies: where a backup is restored to, apart from anything in use."""
