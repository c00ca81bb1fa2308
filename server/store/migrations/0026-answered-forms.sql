-- Forms that were sent, by the number each of them carries, so that one that is sent twice is done once. Until its
-- answer is known, one that was begun has none. They are this machine's, and not exported.
CREATE TABLE answered_form (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 8 AND 100),
  at_ms INTEGER NOT NULL,
  status INTEGER,
  headers TEXT CHECK (headers IS NULL OR json_valid(headers)),
  body BLOB
) STRICT, WITHOUT ROWID;
CREATE INDEX answered_form_by_time ON answered_form (at_ms);
