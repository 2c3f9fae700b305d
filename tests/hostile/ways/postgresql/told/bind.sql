-- tries: hand results to a program
-- finding: statement-unreadable
-- sides: refused on all
SELECT 1 \bind \g | sh
