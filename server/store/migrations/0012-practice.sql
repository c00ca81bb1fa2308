-- Practice pots that came out well, by their situation, with what was done.
CREATE TABLE understood (
  situation TEXT PRIMARY KEY CHECK (length(situation) BETWEEN 1 AND 60),
  at_ms INTEGER NOT NULL,
  doing TEXT NOT NULL CHECK (json_valid(doing))
) STRICT;
