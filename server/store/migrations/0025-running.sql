-- Which batches have no end yet: every page asks, and to look through all batches takes too long when there are
-- thousands. Kept by triggers, so that whatever writes events keeps it right; not exported.
CREATE TABLE running_cook (
  cook_id TEXT PRIMARY KEY
) STRICT, WITHOUT ROWID;
INSERT INTO running_cook (cook_id)
  SELECT c.id FROM cook c WHERE NOT EXISTS (SELECT 1 FROM cook_end x WHERE x.cook_id = c.id);

CREATE TRIGGER cook_added AFTER INSERT ON cook BEGIN
  INSERT OR IGNORE INTO running_cook (cook_id)
    SELECT NEW.id WHERE NOT EXISTS (SELECT 1 FROM cook_end x WHERE x.cook_id = NEW.id);
END;
CREATE TRIGGER cook_removed AFTER DELETE ON cook BEGIN
  DELETE FROM running_cook WHERE cook_id = OLD.id;
END;
-- An end, or an end taken back.
CREATE TRIGGER cook_event_added AFTER INSERT ON cook_event WHEN NEW.kind IN ('finish', 'stop', 'take-back') BEGIN
  DELETE FROM running_cook
    WHERE cook_id = NEW.cook_id AND EXISTS (SELECT 1 FROM cook_end x WHERE x.cook_id = NEW.cook_id);
  INSERT OR IGNORE INTO running_cook (cook_id)
    SELECT c.id FROM cook c
    WHERE c.id = NEW.cook_id AND NOT EXISTS (SELECT 1 FROM cook_end x WHERE x.cook_id = NEW.cook_id);
END;
CREATE TRIGGER cook_event_removed AFTER DELETE ON cook_event WHEN OLD.kind IN ('finish', 'stop', 'take-back') BEGIN
  DELETE FROM running_cook
    WHERE cook_id = OLD.cook_id AND EXISTS (SELECT 1 FROM cook_end x WHERE x.cook_id = OLD.cook_id);
  INSERT OR IGNORE INTO running_cook (cook_id)
    SELECT c.id FROM cook c
    WHERE c.id = OLD.cook_id AND NOT EXISTS (SELECT 1 FROM cook_end x WHERE x.cook_id = OLD.cook_id);
END;
CREATE TRIGGER cook_renamed AFTER UPDATE OF id ON cook BEGIN
  UPDATE running_cook SET cook_id = NEW.id WHERE cook_id = OLD.id;
END;
