-- What late charges raised, and what was in reminders, is read for some accounts at a time, so that a run over a book with
-- a long history needs no more memory than one over a young one.
DROP INDEX entry_account;
CREATE INDEX entry_account ON entry (account_id, kind) WHERE account_id IS NOT NULL;
DROP INDEX item_reminded;
CREATE INDEX item_reminded ON item (account_id) WHERE reminders > 0;
