-- tries: hide a statement in a comment that some servers run
-- finding: effect-unknown
-- sides: refused on all
/*!999999 SELECT */ DROP DATABASE live;
