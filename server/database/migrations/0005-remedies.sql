-- What is begun to put a pot right, as it was computed then: a remedy of core/cook/remedy.ts.
ALTER TABLE cook_event ADD COLUMN remedy TEXT CHECK (remedy IS NULL OR json_valid(remedy));
