-- tries: destroy or change another database
-- finding: value-type
-- sides: refused on all
SET sql_mode='NO_BACKSLASH_ESCAPES';
INSERT INTO `tide` VALUES ('\'); DROP DATABASE live; -- ');
