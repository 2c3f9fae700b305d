-- tries: take away or give away what others own
-- finding: hostile-statement
-- sides: refused on all
REASSIGN OWNED BY postgres TO evil;
