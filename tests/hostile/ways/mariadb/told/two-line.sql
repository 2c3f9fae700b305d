-- tries: hide a statement behind a client's word
-- finding: row-unreadable
-- sides: refused on all
INSERT INTO `tide` VALUES (1)\; DROP DATABASE live;
