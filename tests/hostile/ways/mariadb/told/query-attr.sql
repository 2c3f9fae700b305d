-- tries: do what no backup asks for
-- finding: statement-unreadable
-- sides: refused on all
query_attributes a b
