-- tries: have the client run what a query returns
-- finding: statement-unreadable
-- sides: refused on all
SELECT 'COPY (SELECT 1) TO PROGRAM ''x''' AS q \gset
:q;
