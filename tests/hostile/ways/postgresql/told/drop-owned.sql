-- tries: take away or give away what others own
-- finding: hostile-statement
-- sides: refused on all
DROP OWNED BY postgres CASCADE;
