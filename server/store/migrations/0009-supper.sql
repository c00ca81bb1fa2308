-- A supper: several dishes at one hour. Dishes are a JSON list: plans as the contract asks for them, and companions with their tasks.
CREATE TABLE supper (
  id TEXT PRIMARY KEY,
  made_ms INTEGER NOT NULL,
  title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 80),
  serve_ms INTEGER NOT NULL,
  cooks INTEGER NOT NULL CHECK (cooks BETWEEN 1 AND 4),
  oven INTEGER NOT NULL CHECK (oven BETWEEN 0 AND 4),
  dishes TEXT NOT NULL CHECK (json_valid(dishes))
) STRICT;
CREATE INDEX supper_by_hour ON supper (serve_ms DESC);
