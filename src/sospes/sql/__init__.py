"""Reading SQL text as engines write it: words, statements, definitions, rows."""
