-- tries: hold the restore up
-- finding: effect-unknown
-- sides: refused on all
XA RECOVER;
