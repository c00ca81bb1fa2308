-- A bottle has a name, the cook's own proportions (g per 100 g of dry grain), and what steeps in it until when.
ALTER TABLE bottle ADD COLUMN name TEXT NOT NULL DEFAULT '' CHECK (length(name) <= 60);
ALTER TABLE bottle ADD COLUMN vinegar REAL CHECK (vinegar > 0);
ALTER TABLE bottle ADD COLUMN sugar REAL CHECK (sugar >= 0);
ALTER TABLE bottle ADD COLUMN salt REAL CHECK (salt >= 0);
ALTER TABLE bottle ADD COLUMN steeps TEXT NOT NULL DEFAULT '' CHECK (length(steeps) <= 60);
ALTER TABLE bottle ADD COLUMN ready_ms INTEGER;
