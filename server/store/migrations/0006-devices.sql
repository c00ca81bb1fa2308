-- Devices of the kitchen, one of a kind. A simulated one stands where a real one would, and may fail as real ones do.
CREATE TABLE device (
  kind TEXT PRIMARY KEY CHECK (kind IN ('scale', 'probe', 'cooker', 'pressure-pot')),
  on_since_ms INTEGER NOT NULL,
  -- What it tells is taken for the cue itself; else it only proposes.
  trusted INTEGER NOT NULL CHECK (trusted IN (0, 1)),
  drift_per_hour REAL NOT NULL CHECK (drift_per_hour BETWEEN -100 AND 100),
  lag_s REAL NOT NULL CHECK (lag_s BETWEEN 0 AND 120),
  drop_out REAL NOT NULL CHECK (drop_out BETWEEN 0 AND 1),
  lie REAL NOT NULL CHECK (lie BETWEEN -500 AND 500)
) STRICT, WITHOUT ROWID;
