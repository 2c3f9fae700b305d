-- tries: do what no backup asks for
-- finding: effect-unknown
-- sides: refused on all
SELECT query_to_xml('DROP TABLE x',true,false,'');
