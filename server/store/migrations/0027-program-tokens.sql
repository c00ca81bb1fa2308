-- Tokens of programs, by their hashes. They are this machine's, and not exported.
CREATE TABLE program_token (
  token_hash TEXT PRIMARY KEY,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  scope TEXT NOT NULL CHECK (scope IN ('read', 'write')),
  made_ms INTEGER NOT NULL,
  seen_ms INTEGER
) STRICT, WITHOUT ROWID;
