-- What was learned can also grow less sure (a kitchen moved, a burner changed) or start from another kitchen's
-- figures. "widen": at least so unsure as sd. "prior": value and sd of a pack.
CREATE TABLE belief_override_next (
  figure TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('pin', 'reset', 'widen', 'prior')),
  value REAL NOT NULL,
  sd REAL CHECK (sd > 0),
  at_ms INTEGER NOT NULL,
  PRIMARY KEY (figure, kind)
) STRICT, WITHOUT ROWID;
INSERT INTO belief_override_next (figure, kind, value, sd, at_ms)
  SELECT figure, kind, value, NULL, at_ms FROM belief_override;
DROP TABLE belief_override;
ALTER TABLE belief_override_next RENAME TO belief_override;
