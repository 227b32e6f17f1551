-- What late charges raised, and what was in reminders, is read for some accounts at a time, so that a run over a book with
-- a long history needs no more memory than one over a young one.
DROP INDEX entry_account;
CREATE INDEX entry_account ON entry (account_id, kind) WHERE account_id IS NOT NULL;
DROP INDEX item_reminded;
CREATE INDEX item_reminded ON item (account_id) WHERE reminders > 0;
-- What part of receivables is expected to be lost, by age; of those in force on a day the one with the latest first day, and
-- of these the latest, holds.
CREATE TABLE provision_matrix (
    id        INTEGER PRIMARY KEY,
    from_date TEXT    NOT NULL CHECK (length(from_date) = 10),
    up_to     TEXT    NOT NULL CHECK (json_valid(up_to) AND length(up_to) <= 500),
    rates     TEXT    NOT NULL CHECK (json_valid(rates) AND length(rates) <= 1000),
    reason    TEXT    NOT NULL CHECK (length(reason) <= 500),
    made_by   TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at   TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE TRIGGER provision_matrix_no_update BEFORE UPDATE ON provision_matrix BEGIN SELECT RAISE(ABORT, 'provision_matrix is append-only'); END;
CREATE TRIGGER provision_matrix_no_delete BEFORE DELETE ON provision_matrix BEGIN SELECT RAISE(ABORT, 'provision_matrix is append-only'); END;
