-- tries: hide a statement behind another delimiter
-- finding: dropped-again
-- sides: refused on all
DELIMITER $$
DROP DATABASE live$$
DELIMITER ;
