-- What is begun to put a pot right, as it was computed then: a remedy of core/cook/remedy.ts.
ALTER TABLE cook_event ADD COLUMN remedy TEXT CHECK (remedy IS NULL OR json_valid(remedy));

-- What the device believed the server's clock to be ahead of its own when it pressed, ms.
ALTER TABLE cook_event ADD COLUMN ahead_ms INTEGER;
