-- A house that has been asked its first five things, or has said it would rather not; houses from before this are.
ALTER TABLE household ADD COLUMN welcomed INTEGER NOT NULL DEFAULT 1 CHECK (welcomed IN (0, 1));
