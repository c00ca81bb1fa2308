-- Who eats in this house: appetite in usual portions, firmness 0 to 1 where somebody minds, and the foods somebody avoids.
CREATE TABLE eater (
  id TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 24),
  appetite REAL NOT NULL CHECK (appetite BETWEEN 0.25 AND 3),
  firmness REAL CHECK (firmness BETWEEN 0 AND 1),
  avoids TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(avoids))
) STRICT;
