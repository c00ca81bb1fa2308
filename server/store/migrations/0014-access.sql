-- Who is let in from other devices. It belongs to this machine, not to the household: no copy of the house takes it along as JSON.
CREATE TABLE passphrase (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  -- scrypt's salt and hash in base64, and what it took.
  salt TEXT NOT NULL,
  hash TEXT NOT NULL,
  n INTEGER NOT NULL,
  r INTEGER NOT NULL,
  p INTEGER NOT NULL,
  set_ms INTEGER NOT NULL
) STRICT;
CREATE TABLE session (
  -- SHA-256 of the token, so that the file lets nobody in.
  token_hash TEXT PRIMARY KEY,
  device TEXT NOT NULL CHECK (length(device) <= 60),
  made_ms INTEGER NOT NULL,
  seen_ms INTEGER NOT NULL
) STRICT, WITHOUT ROWID;
