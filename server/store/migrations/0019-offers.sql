-- What the cook was offered to measure with a batch: once a week at the most.
ALTER TABLE cook ADD COLUMN offer TEXT CHECK (offer IN ('weigh', 'double', 'half'));
CREATE INDEX cook_by_offer ON cook (started_ms DESC) WHERE offer IS NOT NULL;
