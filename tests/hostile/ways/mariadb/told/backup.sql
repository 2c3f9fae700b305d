-- tries: disturb the server
-- finding: hostile-statement
-- sides: refused on all
BACKUP STAGE START;
