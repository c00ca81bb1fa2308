-- Where a container goes from the counter or the ice water, and whom it was set aside for.
ALTER TABLE leftover ADD COLUMN next_place TEXT CHECK (next_place IN ('fridge', 'freezer'));
ALTER TABLE leftover ADD COLUMN for_whom TEXT NOT NULL DEFAULT '' CHECK (length(for_whom) <= 60);
