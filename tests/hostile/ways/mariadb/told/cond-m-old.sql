-- tries: hide a statement in a comment that some servers run
-- finding: dropped-again
-- sides: refused on all
/*M!50000 DROP DATABASE live */;
