-- Ways to cook that are planned again by their name: the plan as an address, and steps as they were told.
CREATE TABLE saved_way (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  search TEXT NOT NULL CHECK (length(search) <= 4000),
  steps TEXT CHECK (length(steps) <= 600),
  saved_ms INTEGER NOT NULL
) STRICT;
