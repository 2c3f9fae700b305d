-- tries: have the client run what a query returns
-- finding: statement-unreadable
-- sides: refused on all
SELECT * FROM public.tide \gexec
