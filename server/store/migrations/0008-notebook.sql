-- What a cook was planned with: its bag and burner, what was known of the bag, and what had been learned by then.
ALTER TABLE cook ADD COLUMN bag_id TEXT;
ALTER TABLE cook ADD COLUMN heat_id TEXT;
ALTER TABLE cook ADD COLUMN bag_delta REAL NOT NULL DEFAULT 0;
ALTER TABLE cook ADD COLUMN applied TEXT NOT NULL DEFAULT '{"uptake":0,"steam":0,"power":0,"time":0}' CHECK (json_valid(applied));

ALTER TABLE judgement ADD COLUMN separate INTEGER CHECK (separate BETWEEN -2 AND 2);
ALTER TABLE judgement ADD COLUMN even TEXT NOT NULL DEFAULT 'even' CHECK (even IN ('even', 'top-hard', 'bottom-wet', 'patches'));
ALTER TABLE judgement ADD COLUMN ate TEXT NOT NULL DEFAULT '' CHECK (length(ate) <= 200);

-- What was weighed of a cook, g: the full pot with its lid before the heat and when it was done, what was poured off, what was cooked.
CREATE TABLE measurement (
  cook_id TEXT NOT NULL REFERENCES cook (id) ON DELETE CASCADE,
  kind TEXT NOT NULL CHECK (kind IN ('pot-before', 'pot-after', 'drained', 'cooked')),
  grams REAL NOT NULL CHECK (grams BETWEEN 1 AND 100000),
  PRIMARY KEY (cook_id, kind)
) STRICT, WITHOUT ROWID;

-- A line of the notebook and a cook's evidence, made from the records above whenever they change; lost, they are made again.
CREATE TABLE noted (
  cook_id TEXT PRIMARY KEY REFERENCES cook (id) ON DELETE CASCADE,
  ended_ms INTEGER NOT NULL,
  end TEXT NOT NULL CHECK (end IN ('finish', 'stop')),
  title TEXT NOT NULL,
  grain_key TEXT NOT NULL,
  vessel_id TEXT NOT NULL,
  vessel_name TEXT NOT NULL,
  method TEXT NOT NULL,
  bag_id TEXT,
  grain_g REAL NOT NULL,
  pour_g REAL NOT NULL,
  minutes REAL NOT NULL,
  planned_minutes REAL NOT NULL,
  wet_dry INTEGER,
  hardness INTEGER,
  bottom TEXT,
  note TEXT NOT NULL,
  boil_minutes REAL,
  evidence TEXT CHECK (evidence IS NULL OR json_valid(evidence))
) STRICT;
CREATE INDEX noted_by_time ON noted (ended_ms DESC, cook_id);
CREATE INDEX noted_by_grain ON noted (grain_key, ended_ms DESC);
CREATE INDEX noted_by_vessel ON noted (vessel_id, ended_ms DESC);
CREATE INDEX noted_by_method ON noted (method, ended_ms DESC);
CREATE INDEX noted_by_bag ON noted (bag_id, ended_ms DESC);
CREATE INDEX noted_by_outcome ON noted (wet_dry, ended_ms DESC);
CREATE INDEX noted_by_end ON noted (end, ended_ms DESC);
CREATE INDEX noted_evidence ON noted (ended_ms, cook_id) WHERE evidence IS NOT NULL;
CREATE VIRTUAL TABLE noted_text USING fts5 (title, vessel_name, note, content='noted', content_rowid='rowid');
CREATE TRIGGER noted_added AFTER INSERT ON noted BEGIN
  INSERT INTO noted_text (rowid, title, vessel_name, note) VALUES (new.rowid, new.title, new.vessel_name, new.note);
END;
CREATE TRIGGER noted_gone AFTER DELETE ON noted BEGIN
  INSERT INTO noted_text (noted_text, rowid, title, vessel_name, note) VALUES ('delete', old.rowid, old.title, old.vessel_name, old.note);
END;

-- What the cook says of a learned figure: a pin or a fresh start. The newest of a figure stands; taken back, it goes.
CREATE TABLE belief_word (
  figure TEXT PRIMARY KEY,
  kind TEXT NOT NULL CHECK (kind IN ('pin', 'reset')),
  value REAL NOT NULL,
  at_ms INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

-- Pictures: the file lies in the data folder under its id. With a cue, it is shown beside the drawn one the next time.
CREATE TABLE photo (
  id TEXT PRIMARY KEY,
  cook_id TEXT NOT NULL REFERENCES cook (id) ON DELETE CASCADE,
  vessel_id TEXT NOT NULL,
  cue TEXT,
  made_ms INTEGER NOT NULL,
  bytes INTEGER NOT NULL CHECK (bytes > 0),
  width INTEGER NOT NULL,
  height INTEGER NOT NULL
) STRICT;
CREATE INDEX photo_by_cook ON photo (cook_id, made_ms);
CREATE INDEX photo_by_cue ON photo (vessel_id, cue, made_ms DESC) WHERE cue IS NOT NULL;

-- Trials: pots that differ in one thing, tasted and ranked.
CREATE TABLE trial (
  id TEXT PRIMARY KEY,
  made_ms INTEGER NOT NULL,
  title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
  differs TEXT NOT NULL CHECK (differs IN ('water', 'soak', 'rest', 'method')),
  grain_key TEXT NOT NULL,
  vessel_id TEXT NOT NULL,
  blind INTEGER NOT NULL CHECK (blind IN (0, 1)),
  -- A JSON list of {letter, label, search, delta}.
  cups TEXT NOT NULL CHECK (json_valid(cups))
) STRICT;
CREATE INDEX trial_by_time ON trial (made_ms DESC);
CREATE TABLE tasting (
  id TEXT PRIMARY KEY,
  trial_id TEXT NOT NULL REFERENCES trial (id) ON DELETE CASCADE,
  at_ms INTEGER NOT NULL,
  who TEXT NOT NULL CHECK (length(who) <= 60),
  -- Letters, the best first.
  ranking TEXT NOT NULL CHECK (json_valid(ranking))
) STRICT;
CREATE INDEX tasting_by_trial ON tasting (trial_id, at_ms);
