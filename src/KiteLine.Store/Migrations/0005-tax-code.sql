ALTER TABLE account ADD COLUMN tax_code TEXT; -- null: the company's default
