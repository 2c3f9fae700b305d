-- tries: do what no backup asks for
-- finding: hostile-statement
-- sides: refused on all
DO U&'\0042EGIN NULL; END';
