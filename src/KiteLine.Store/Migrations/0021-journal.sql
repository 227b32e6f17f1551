-- What each posting account was debited and credited on each day: a projection of the journal, kept by the database, so
-- that balances of any period are read without reading all entries.
CREATE TABLE journal_day (
    account  TEXT    NOT NULL CHECK (length(account) <= 200),
    purpose  INTEGER NOT NULL,
    currency TEXT    NOT NULL CHECK (length(currency) = 3),
    day      TEXT    NOT NULL CHECK (length(day) = 10),
    debit    INTEGER NOT NULL,
    credit   INTEGER NOT NULL,
    lines    INTEGER NOT NULL,
    PRIMARY KEY (account, purpose, currency, day)
) STRICT, WITHOUT ROWID;
INSERT INTO journal_day
SELECT l.account, l.purpose, e.currency, e.posting_date, sum(max(l.amount, 0)), sum(max(-l.amount, 0)), count(*)
FROM journal_line l JOIN entry e ON e.id = l.entry_id GROUP BY 1, 2, 3, 4;
CREATE TRIGGER journal_line_of_day AFTER INSERT ON journal_line BEGIN
    INSERT INTO journal_day
    SELECT NEW.account, NEW.purpose, e.currency, e.posting_date, max(NEW.amount, 0), max(-NEW.amount, 0), 1
    FROM entry e WHERE e.id = NEW.entry_id
    ON CONFLICT DO UPDATE SET debit = debit + excluded.debit, credit = credit + excluded.credit, lines = lines + 1;
END;
CREATE INDEX entry_posting_date ON entry (posting_date);

-- What went to the general ledger: each takes up where the one before ended.
CREATE TABLE hand_over (
    id          INTEGER PRIMARY KEY,
    first_entry INTEGER NOT NULL UNIQUE,
    last_entry  INTEGER NOT NULL UNIQUE REFERENCES entry,
    entries     INTEGER NOT NULL CHECK (entries > 0),
    made_by     TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at     TEXT    NOT NULL,
    CHECK (first_entry <= last_entry)
) STRICT;
CREATE TRIGGER hand_over_no_update BEFORE UPDATE ON hand_over BEGIN SELECT RAISE(ABORT, 'hand_over is append-only'); END;
CREATE TRIGGER hand_over_no_delete BEFORE DELETE ON hand_over BEGIN SELECT RAISE(ABORT, 'hand_over is append-only'); END;
CREATE TRIGGER hand_over_follows BEFORE INSERT ON hand_over
    WHEN NEW.first_entry <> 1 + coalesce((SELECT max(last_entry) FROM hand_over), 0)
    BEGIN SELECT RAISE(ABORT, 'a hand-over begins after the one before'); END;
