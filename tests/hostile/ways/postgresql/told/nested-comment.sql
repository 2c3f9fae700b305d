-- tries: hide a statement behind a comment in a comment
-- finding: hostile-statement
-- sides: refused on all
/* /* */ x */ SELECT pg_read_file('/etc/passwd');
