-- tries: destroy or change another database
-- finding: table-undefined
-- sides: refused on all
CREATE TRIGGER live.t BEFORE INSERT ON live.boats FOR EACH ROW SET NEW.a = 1;
