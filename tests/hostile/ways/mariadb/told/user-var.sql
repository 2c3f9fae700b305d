-- tries: hide a statement in a variable of the server
-- finding: effect-unknown
-- sides: refused on all
SET @a = 'SELECT 1 INTO OUTFILE ''{canary}''';
PREPARE p FROM @a;
EXECUTE p;
