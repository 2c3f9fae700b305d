-- tries: destroy or change another database
-- finding: dropped-again
-- sides: refused on all
DROP DATABASE live;
