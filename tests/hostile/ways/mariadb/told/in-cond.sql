-- tries: start a program from the client, from within a comment
-- finding: statement-unreadable
-- sides: refused on all
/*!50003 \! touch {canary} */;
