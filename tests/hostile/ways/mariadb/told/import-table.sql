-- tries: do what no backup asks for
-- finding: statement-unreadable
-- sides: refused on all
IMPORT TABLE FROM '/tmp/x.sdi';
