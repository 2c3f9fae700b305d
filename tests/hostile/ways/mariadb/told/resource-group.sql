-- tries: have the client read another file
-- finding: statement-unreadable
-- sides: refused on all
CREATE RESOURCE GROUP g TYPE=USER;
