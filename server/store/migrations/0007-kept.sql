-- What is kept after the pot: the house's containers, what lies in fridge and freezer, and dressing made ahead.
CREATE TABLE container (
  id TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  ml REAL NOT NULL CHECK (ml BETWEEN 20 AND 20000),
  depth_mm REAL NOT NULL CHECK (depth_mm BETWEEN 5 AND 400),
  -- How many of them there are.
  many INTEGER NOT NULL CHECK (many BETWEEN 1 AND 50)
) STRICT;

-- One row a container that was put away. Nothing here is updated: what happens to it are the events below.
CREATE TABLE kept (
  id TEXT PRIMARY KEY,
  cook_id TEXT REFERENCES cook (id) ON DELETE SET NULL,
  title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
  variety TEXT NOT NULL,
  container_name TEXT NOT NULL,
  grams REAL NOT NULL CHECK (grams > 0),
  portions REAL NOT NULL CHECK (portions > 0),
  depth_mm REAL NOT NULL CHECK (depth_mm > 0),
  density_g_ml REAL NOT NULL CHECK (density_g_ml > 0),
  water_share REAL NOT NULL CHECK (water_share BETWEEN 0 AND 1),
  place TEXT NOT NULL CHECK (place IN ('counter', 'fridge', 'freezer', 'ice-bath')),
  open INTEGER NOT NULL CHECK (open IN (0, 1)),
  stacked INTEGER NOT NULL CHECK (stacked BETWEEN 1 AND 20),
  dressed INTEGER NOT NULL CHECK (dressed IN (0, 1)),
  cooked_ms INTEGER NOT NULL,
  packed_ms INTEGER NOT NULL,
  CHECK (packed_ms >= cooked_ms)
) STRICT;
CREATE INDEX kept_by_time ON kept (packed_ms);

CREATE TABLE kept_event (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  kept_id TEXT NOT NULL REFERENCES kept (id) ON DELETE CASCADE,
  kind TEXT NOT NULL CHECK (length(kind) BETWEEN 1 AND 40),
  at_ms INTEGER NOT NULL,
  portions REAL CHECK (portions > 0),
  target TEXT,
  CHECK ((kind = 'take-back') = (target IS NOT NULL))
) STRICT;
CREATE INDEX kept_event_by_kept ON kept_event (kept_id, at_ms);

CREATE TABLE bottle (
  id TEXT PRIMARY KEY,
  made_ms INTEGER NOT NULL,
  style TEXT NOT NULL,
  made_g REAL NOT NULL CHECK (made_g > 0),
  left_g REAL NOT NULL CHECK (left_g >= 0)
) STRICT;

-- Whose food-safety figures this house follows, and those it sets stricter: a JSON object of figure and value.
ALTER TABLE household ADD COLUMN guidance TEXT NOT NULL DEFAULT 'stricter' CHECK (guidance IN ('stricter', 'uk', 'us'));
ALTER TABLE household ADD COLUMN own_figures TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(own_figures));

-- Cooked grain this pot keeps for itself, stuck to its bottom, as it was weighed.
ALTER TABLE vessel ADD COLUMN sticks_g REAL NOT NULL DEFAULT 0 CHECK (sticks_g BETWEEN 0 AND 2000);
