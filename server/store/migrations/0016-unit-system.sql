-- Metric or US customary units; a household that was there before reads on in metric ones.
ALTER TABLE household ADD COLUMN system TEXT NOT NULL DEFAULT 'metric' CHECK (system IN ('metric', 'us'));
