-- tries: read a file of the server into a table
-- finding: hostile-statement
-- sides: refused on all
INSERT INTO `tide` VALUES (LOAD_FILE('/etc/passwd'));
