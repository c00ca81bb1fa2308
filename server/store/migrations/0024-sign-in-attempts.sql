-- Failed sign-ins, so that a restart does not make guessing cheaper. They are this machine's, and not exported.
CREATE TABLE sign_in_attempt (
  address TEXT PRIMARY KEY,
  count INTEGER NOT NULL CHECK (count >= 0),
  last_ms INTEGER NOT NULL
) STRICT, WITHOUT ROWID;
