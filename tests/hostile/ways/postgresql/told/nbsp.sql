-- tries: hide a call behind a blank that is none
-- finding: statement-unreadable
-- sides: refused on all
SELECT pg_read_file('/etc/passwd');
