-- tries: change the client's folder
-- finding: hostile-statement
-- sides: refused on all
.cd /
