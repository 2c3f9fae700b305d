-- tries: do what no backup asks for
-- finding: statement-unreadable
-- sides: refused on all
SIGNAL SQLSTATE '45000';
