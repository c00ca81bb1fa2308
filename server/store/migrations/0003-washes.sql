-- Washes become events, with how clear the water ran. SQLite changes a CHECK only by making the table anew.
DROP VIEW cook_end;
DROP INDEX cook_event_by_cook;
ALTER TABLE cook_event RENAME TO cook_event_before;
CREATE TABLE cook_event (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  cook_id TEXT NOT NULL REFERENCES cook (id) ON DELETE CASCADE,
  kind TEXT NOT NULL CHECK (kind IN ('cue', 'go-on', 'minute-more', 'lid-lifted', 'washed', 'take-back', 'finish', 'stop')),
  stage TEXT NOT NULL,
  identity TEXT,
  device_ms INTEGER NOT NULL,
  at_ms INTEGER NOT NULL,
  received_ms INTEGER NOT NULL,
  seconds REAL CHECK (seconds BETWEEN 1 AND 600),
  clarity REAL CHECK (clarity BETWEEN 0 AND 1),
  target TEXT,
  CHECK ((kind = 'take-back') = (target IS NOT NULL)),
  UNIQUE (cook_id, identity)
) STRICT;
INSERT INTO cook_event (seq, id, cook_id, kind, stage, identity, device_ms, at_ms, received_ms, seconds, target)
  SELECT seq, id, cook_id, kind, stage, identity, device_ms, at_ms, received_ms, seconds, target FROM cook_event_before ORDER BY seq;
DROP TABLE cook_event_before;
CREATE INDEX cook_event_by_cook ON cook_event (cook_id, at_ms);
CREATE VIEW cook_end AS
  SELECT e.cook_id, e.kind, min(e.at_ms) AS ended_ms
  FROM cook_event e
  WHERE e.kind IN ('finish', 'stop')
    AND NOT EXISTS (SELECT 1 FROM cook_event t WHERE t.cook_id = e.cook_id AND t.target = e.id)
  GROUP BY e.cook_id;
