-- The first kitchen: one household, its vessels and heats, its cooks and what it thought of them.
CREATE TABLE household (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  units TEXT NOT NULL CHECK (units IN ('grams', 'cups')),
  cup TEXT NOT NULL,
  elevation_m REAL NOT NULL CHECK (elevation_m BETWEEN -430 AND 6000),
  kitchen_c REAL NOT NULL CHECK (kitchen_c BETWEEN 5 AND 45),
  crease_mm REAL NOT NULL CHECK (crease_mm BETWEEN 10 AND 60),
  clock TEXT NOT NULL CHECK (clock IN ('24', '12')),
  zone TEXT NOT NULL
) STRICT;

CREATE TABLE vessel (
  id TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  kind TEXT NOT NULL CHECK (kind IN ('pot', 'cooker', 'pressure-electric', 'pressure-stovetop', 'oven-dish')),
  capacity_ml REAL NOT NULL CHECK (capacity_ml BETWEEN 100 AND 60000),
  base_diameter_mm REAL NOT NULL CHECK (base_diameter_mm BETWEEN 40 AND 800),
  rim_diameter_mm REAL NOT NULL CHECK (rim_diameter_mm BETWEEN 40 AND 800),
  height_mm REAL NOT NULL CHECK (height_mm BETWEEN 10 AND 800),
  heat_capacity_j_k REAL NOT NULL CHECK (heat_capacity_j_k BETWEEN 20 AND 20000),
  lid TEXT NOT NULL CHECK (lid IN ('tight', 'loose', 'foil')),
  -- An appliance brings its own heat; a pot stands on one of the household's.
  own_rated_w REAL CHECK (own_rated_w BETWEEN 50 AND 20000),
  own_efficiency REAL CHECK (own_efficiency BETWEEN 0.05 AND 1),
  CHECK ((own_rated_w IS NULL) = (own_efficiency IS NULL))
) STRICT;

CREATE TABLE heat (
  id TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  rated_w REAL NOT NULL CHECK (rated_w BETWEEN 50 AND 20000),
  efficiency REAL NOT NULL CHECK (efficiency BETWEEN 0.05 AND 1)
) STRICT;

-- A cook is its plan, frozen when it started, and the events below. Nothing here is updated.
CREATE TABLE cook (
  id TEXT PRIMARY KEY,
  started_ms INTEGER NOT NULL,
  title TEXT NOT NULL,
  grain_key TEXT NOT NULL,
  vessel_id TEXT NOT NULL,
  vessel_name TEXT NOT NULL,
  heat_name TEXT NOT NULL,
  serve_at_ms INTEGER,
  request TEXT NOT NULL CHECK (json_valid(request)),
  plan TEXT NOT NULL CHECK (json_valid(plan))
) STRICT;
CREATE INDEX cook_by_start ON cook (started_ms);

CREATE TABLE cook_event (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  cook_id TEXT NOT NULL REFERENCES cook (id) ON DELETE CASCADE,
  kind TEXT NOT NULL CHECK (kind IN ('cue', 'go-on', 'minute-more', 'lid-lifted', 'take-back', 'finish', 'stop')),
  stage TEXT NOT NULL,
  -- Two presses that mean one thing share this; what may repeat has none.
  identity TEXT,
  device_ms INTEGER NOT NULL,
  at_ms INTEGER NOT NULL,
  received_ms INTEGER NOT NULL,
  seconds REAL CHECK (seconds BETWEEN 1 AND 600),
  target TEXT,
  CHECK ((kind = 'take-back') = (target IS NOT NULL)),
  UNIQUE (cook_id, identity)
) STRICT;
CREATE INDEX cook_event_by_cook ON cook_event (cook_id, at_ms);

-- How each cook ended, by the event that still stands.
CREATE VIEW cook_end AS
  SELECT e.cook_id, e.kind, min(e.at_ms) AS ended_ms
  FROM cook_event e
  WHERE e.kind IN ('finish', 'stop')
    AND NOT EXISTS (SELECT 1 FROM cook_event t WHERE t.cook_id = e.cook_id AND t.target = e.id)
  GROUP BY e.cook_id;

CREATE TABLE judgement (
  cook_id TEXT PRIMARY KEY REFERENCES cook (id) ON DELETE CASCADE,
  judged_ms INTEGER NOT NULL,
  wet_dry INTEGER NOT NULL CHECK (wet_dry BETWEEN -2 AND 2),
  hardness INTEGER NOT NULL CHECK (hardness BETWEEN -2 AND 2),
  bottom TEXT NOT NULL CHECK (bottom IN ('clean', 'stuck', 'scorched')),
  note TEXT NOT NULL CHECK (length(note) <= 2000)
) STRICT;
