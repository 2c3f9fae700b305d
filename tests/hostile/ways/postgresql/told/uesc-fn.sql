-- tries: hide a function's name behind escapes
-- finding: effect-unknown
-- sides: refused on all
SELECT U&"\0070g_read_file"('/etc/passwd');
