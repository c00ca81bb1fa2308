-- A supper under way: what was begun and done at its dishes. Nothing is changed or removed; a take-back names what it takes back.
CREATE TABLE supper_event (
  id TEXT PRIMARY KEY,
  supper_id TEXT NOT NULL REFERENCES supper (id) ON DELETE CASCADE,
  kind TEXT NOT NULL CHECK (kind IN ('begin', 'done', 'late', 'hand', 'take-back')),
  identity TEXT NOT NULL,
  dish_id TEXT,
  task_id TEXT,
  -- The place it was begun at; the cook it began, where the dish is a pot.
  resource TEXT,
  cook_id TEXT REFERENCES cook (id) ON DELETE SET NULL,
  amount REAL,
  target TEXT,
  at_ms INTEGER NOT NULL,
  received_ms INTEGER NOT NULL,
  UNIQUE (supper_id, identity)
) STRICT;
CREATE INDEX supper_event_by_cook ON supper_event (cook_id) WHERE cook_id IS NOT NULL;
-- What was told last of the tasks to come, and who cooks.
ALTER TABLE supper ADD COLUMN told TEXT CHECK (told IS NULL OR json_valid(told));
ALTER TABLE supper ADD COLUMN names TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(names));
