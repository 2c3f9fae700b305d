-- tries: hide a function's name behind escapes
-- finding: effect-unknown
-- sides: refused on all
SELECT U&"lo!005Fexport" UESCAPE '!' (1,'{canary}');
