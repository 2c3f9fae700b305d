-- tries: have the client do what no backup asks for
-- finding: statement-unreadable
-- sides: refused on all
SELECT 1 \crosstabview
