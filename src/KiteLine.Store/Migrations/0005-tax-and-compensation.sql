ALTER TABLE account ADD COLUMN tax_code TEXT; -- null: the company's default

-- The fixed sum for being late that is part of the amount; the rest is interest.
ALTER TABLE charge_line ADD COLUMN compensation INTEGER NOT NULL DEFAULT 0 CHECK (compensation >= 0);
