-- What a cook weighs or times at the stove comes as an event with an amount. Kinds are checked at the door (core/cook/events.ts), not
-- here, so that another kind needs no new table.
DROP VIEW cook_end;
DROP INDEX cook_event_by_cook;
ALTER TABLE cook_event RENAME TO cook_event_before;
CREATE TABLE cook_event (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  cook_id TEXT NOT NULL REFERENCES cook (id) ON DELETE CASCADE,
  kind TEXT NOT NULL CHECK (length(kind) BETWEEN 1 AND 40),
  stage TEXT NOT NULL,
  identity TEXT,
  device_ms INTEGER NOT NULL,
  at_ms INTEGER NOT NULL,
  received_ms INTEGER NOT NULL,
  seconds REAL CHECK (seconds BETWEEN 1 AND 600),
  clarity REAL CHECK (clarity BETWEEN 0 AND 1),
  -- Grams weighed or minutes soaked, by the kind.
  amount REAL CHECK (amount >= 0),
  target TEXT,
  CHECK ((kind = 'take-back') = (target IS NOT NULL)),
  UNIQUE (cook_id, identity)
) STRICT;
INSERT INTO cook_event (seq, id, cook_id, kind, stage, identity, device_ms, at_ms, received_ms, seconds, clarity, target)
  SELECT seq, id, cook_id, kind, stage, identity, device_ms, at_ms, received_ms, seconds, clarity, target FROM cook_event_before ORDER BY seq;
DROP TABLE cook_event_before;
CREATE INDEX cook_event_by_cook ON cook_event (cook_id, at_ms);
CREATE VIEW cook_end AS
  SELECT e.cook_id, e.kind, min(e.at_ms) AS ended_ms
  FROM cook_event e
  WHERE e.kind IN ('finish', 'stop')
    AND NOT EXISTS (SELECT 1 FROM cook_event t WHERE t.cook_id = e.cook_id AND t.target = e.id)
  GROUP BY e.cook_id;

-- What the maker printed inside a bowl: a JSON list of {name, level_mm}. Such a line may mean scoops of a kind of grain, not a volume.
ALTER TABLE vessel ADD COLUMN printed TEXT CHECK (printed IS NULL OR json_valid(printed));

-- An appliance's programmes, in the cook's words. An unknown figure is null until somebody times it.
CREATE TABLE programme (
  id TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  vessel_id TEXT NOT NULL REFERENCES vessel (id) ON DELETE CASCADE,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  pressure TEXT NOT NULL CHECK (pressure IN ('none', 'low', 'high')),
  minutes REAL CHECK (minutes BETWEEN 0 AND 600),
  after_it TEXT NOT NULL CHECK (after_it IN ('natural', 'timed', 'quick', 'holds-warm')),
  known TEXT NOT NULL CHECK (known IN ('known', 'guessed', 'timed'))
) STRICT;
