-- When a meal was last changed, for calendars that have it; and the secret address a calendar reads it from.
ALTER TABLE meal ADD COLUMN changed_ms INTEGER;
CREATE TABLE calendar_key (
  meal_id TEXT PRIMARY KEY REFERENCES meal (id) ON DELETE CASCADE,
  key TEXT NOT NULL UNIQUE CHECK (length(key) >= 32)
) STRICT, WITHOUT ROWID;
