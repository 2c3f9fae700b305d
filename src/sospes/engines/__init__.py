"""What differs from engine to engine in words: names, types, what may run, statements."""
