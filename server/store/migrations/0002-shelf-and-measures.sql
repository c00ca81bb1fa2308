-- The house's own bags, measures, marks and what is known of its pots.
ALTER TABLE vessel ADD COLUMN material TEXT CHECK (material IN ('steel', 'iron', 'aluminium', 'clay'));
ALTER TABLE vessel ADD COLUMN empty_g REAL CHECK (empty_g BETWEEN 50 AND 30000);
ALTER TABLE vessel ADD COLUMN lining TEXT NOT NULL DEFAULT 'bare' CHECK (lining IN ('bare', 'enamel', 'glazed', 'coated'));
ALTER TABLE vessel ADD COLUMN steam_factor REAL NOT NULL DEFAULT 1 CHECK (steam_factor BETWEEN 0.1 AND 5);
-- Marks told by the cook, a JSON list of {level_mm, volume_ml}; a label may say what the vessel itself calls them.
ALTER TABLE vessel ADD COLUMN marks TEXT CHECK (marks IS NULL OR json_valid(marks));
ALTER TABLE vessel ADD COLUMN measured TEXT NOT NULL DEFAULT '' ;

-- What each place of the knob gives, a JSON list of {name, share}.
ALTER TABLE heat ADD COLUMN knob TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(knob));
ALTER TABLE heat ADD COLUMN power_factor REAL NOT NULL DEFAULT 1 CHECK (power_factor BETWEEN 0.2 AND 3);
ALTER TABLE heat ADD COLUMN measured TEXT NOT NULL DEFAULT '';

ALTER TABLE household ADD COLUMN gauge TEXT NOT NULL DEFAULT 'scale';
ALTER TABLE household ADD COLUMN crystal TEXT NOT NULL DEFAULT 'fine-sea';

CREATE TABLE measure (
  id TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  ml REAL NOT NULL CHECK (ml BETWEEN 5 AND 5000),
  parts TEXT NOT NULL CHECK (json_valid(parts)),
  how TEXT NOT NULL CHECK (how IN ('known', 'weighed', 'counted'))
) STRICT;

CREATE TABLE bag (
  id TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  variety TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  label TEXT NOT NULL DEFAULT '' CHECK (length(label) <= 500),
  label_ratio REAL CHECK (label_ratio BETWEEN 0.1 AND 20),
  -- Uptake over the published figure that the cook took over from the label, g/g.
  adopted_delta REAL CHECK (adopted_delta BETWEEN -2 AND 2),
  bought_on TEXT,
  opened_on TEXT,
  new_crop INTEGER NOT NULL DEFAULT 0 CHECK (new_crop IN (0, 1)),
  enriched INTEGER NOT NULL DEFAULT 0 CHECK (enriched IN (0, 1)),
  left_g REAL CHECK (left_g BETWEEN 0 AND 100000)
) STRICT;

CREATE TABLE pour_mark (
  id TEXT PRIMARY KEY,
  made_ms INTEGER NOT NULL,
  grain_key TEXT NOT NULL,
  vessel_id TEXT NOT NULL REFERENCES vessel (id) ON DELETE CASCADE,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  dry_g REAL NOT NULL CHECK (dry_g > 0),
  pour_g REAL NOT NULL CHECK (pour_g >= 0),
  depth_mm REAL NOT NULL
) STRICT;
CREATE INDEX pour_mark_by_pot ON pour_mark (vessel_id, grain_key);
