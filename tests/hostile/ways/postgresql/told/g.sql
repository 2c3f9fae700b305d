-- tries: have the client write a file
-- finding: statement-unreadable
-- sides: refused on all
SELECT 1 \g {canary}
