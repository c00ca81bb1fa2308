-- Tables and columns by the words of the interface. References, indexes and the view of ended cooks follow by themselves.
ALTER TABLE judgement RENAME TO rating;
ALTER TABLE rating RENAME COLUMN judged_ms TO rated_ms;

ALTER TABLE kept RENAME TO leftover;
ALTER TABLE kept_event RENAME TO leftover_event;
ALTER TABLE leftover_event RENAME COLUMN kept_id TO leftover_id;
DROP INDEX kept_by_time;
CREATE INDEX leftover_by_time ON leftover (packed_ms);
DROP INDEX kept_event_by_kept;
CREATE INDEX leftover_event_by_leftover ON leftover_event (leftover_id, at_ms);

ALTER TABLE supper RENAME TO meal;
ALTER TABLE supper_event RENAME TO meal_event;
ALTER TABLE meal_event RENAME COLUMN supper_id TO meal_id;
DROP INDEX supper_by_hour;
CREATE INDEX meal_by_hour ON meal (serve_ms DESC);
DROP INDEX supper_event_by_cook;
CREATE INDEX meal_event_by_cook ON meal_event (cook_id) WHERE cook_id IS NOT NULL;

ALTER TABLE trial RENAME TO taste_test;
ALTER TABLE tasting RENAME COLUMN trial_id TO taste_test_id;
DROP INDEX trial_by_time;
CREATE INDEX taste_test_by_time ON taste_test (made_ms DESC);
DROP INDEX tasting_by_trial;
CREATE INDEX tasting_by_taste_test ON tasting (taste_test_id, at_ms);

ALTER TABLE understood RENAME TO practice_result;
ALTER TABLE practice_result RENAME COLUMN doing TO player_actions;

ALTER TABLE belief_word RENAME TO belief_override;

-- An entry of the notebook, made from the records whenever they change; its text index is made anew.
DROP TRIGGER noted_added;
DROP TRIGGER noted_gone;
DROP TABLE noted_text;
ALTER TABLE noted RENAME TO notebook_entry;
DROP INDEX noted_by_time;
DROP INDEX noted_by_grain;
DROP INDEX noted_by_vessel;
DROP INDEX noted_by_method;
DROP INDEX noted_by_bag;
DROP INDEX noted_by_outcome;
DROP INDEX noted_by_end;
DROP INDEX noted_evidence;
CREATE INDEX notebook_entry_by_time ON notebook_entry (ended_ms DESC, cook_id);
CREATE INDEX notebook_entry_by_grain ON notebook_entry (grain_key, ended_ms DESC);
CREATE INDEX notebook_entry_by_vessel ON notebook_entry (vessel_id, ended_ms DESC);
CREATE INDEX notebook_entry_by_method ON notebook_entry (method, ended_ms DESC);
CREATE INDEX notebook_entry_by_bag ON notebook_entry (bag_id, ended_ms DESC);
CREATE INDEX notebook_entry_by_outcome ON notebook_entry (wet_dry, ended_ms DESC);
CREATE INDEX notebook_entry_by_end ON notebook_entry (end, ended_ms DESC);
CREATE INDEX notebook_entry_evidence ON notebook_entry (ended_ms, cook_id) WHERE evidence IS NOT NULL;
CREATE VIRTUAL TABLE notebook_text USING fts5 (title, vessel_name, note, content='notebook_entry', content_rowid='rowid');
INSERT INTO notebook_text (notebook_text) VALUES ('rebuild');
CREATE TRIGGER notebook_entry_added AFTER INSERT ON notebook_entry BEGIN
  INSERT INTO notebook_text (rowid, title, vessel_name, note) VALUES (new.rowid, new.title, new.vessel_name, new.note);
END;
CREATE TRIGGER notebook_entry_gone AFTER DELETE ON notebook_entry BEGIN
  INSERT INTO notebook_text (notebook_text, rowid, title, vessel_name, note) VALUES ('delete', old.rowid, old.title, old.vessel_name, old.note);
END;
