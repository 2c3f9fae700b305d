-- tries: hide a statement in a variable of the server
-- finding: hostile-statement
-- sides: refused on all
SET @a = (SELECT LOAD_FILE('/etc/passwd'));
