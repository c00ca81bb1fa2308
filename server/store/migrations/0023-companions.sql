-- Dishes that often stand beside grain in this house, their steps as they were typed.
CREATE TABLE companion (
  id TEXT PRIMARY KEY,
  title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 80),
  tasks TEXT NOT NULL CHECK (length(tasks) BETWEEN 1 AND 4000),
  saved_ms INTEGER NOT NULL
) STRICT;
CREATE UNIQUE INDEX companion_by_title ON companion (title COLLATE NOCASE);
