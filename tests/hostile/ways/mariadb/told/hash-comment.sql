-- tries: destroy or change another database
-- finding: dropped-again
-- sides: refused on all
# x
DROP DATABASE live; # y
