-- tries: do what no backup asks for
-- finding: statement-unclear
-- sides: refused on all
SHOW data_directory;
