-- When a customer is to be called again; the latest row of an account holds, one without a day says that it is done.
CREATE TABLE call_again (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    on_date    TEXT    CHECK (length(on_date) = 10),
    note       TEXT    NOT NULL CHECK (length(note) <= 200),
    made_by    TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at    TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE INDEX call_again_account ON call_again (account_id, id);
CREATE TRIGGER call_again_no_update BEFORE UPDATE ON call_again BEGIN SELECT RAISE(ABORT, 'call_again is append-only'); END;
CREATE TRIGGER call_again_no_delete BEFORE DELETE ON call_again BEGIN SELECT RAISE(ABORT, 'call_again is append-only'); END;
-- Letters of a period, for what they brought.
CREATE INDEX reminder_date ON reminder (date);
-- The picture at the head of what is printed; the latest row holds, an empty one says that there is none.
CREATE TABLE letterhead (
    id      INTEGER PRIMARY KEY,
    type    TEXT    NOT NULL CHECK (length(type) <= 20 AND type IN ('', 'image/png', 'image/jpeg')),
    content BLOB    NOT NULL CHECK (length(content) <= 500000),
    made_by TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE TRIGGER letterhead_no_update BEFORE UPDATE ON letterhead BEGIN SELECT RAISE(ABORT, 'letterhead is append-only'); END;
CREATE TRIGGER letterhead_no_delete BEFORE DELETE ON letterhead BEGIN SELECT RAISE(ABORT, 'letterhead is append-only'); END;
-- Letters by their numbers without marks, as payers name them.
CREATE INDEX reminder_marked ON reminder (upper(replace(replace(replace(replace(replace(number, ' ', ''), '-', ''), '/', ''), '.', ''), '_', '')));
