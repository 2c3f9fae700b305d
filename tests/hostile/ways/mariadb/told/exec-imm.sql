-- tries: run a text that no filter sees as a statement
-- finding: effect-unknown
-- sides: refused on all
EXECUTE IMMEDIATE 'DROP DATABASE live';
