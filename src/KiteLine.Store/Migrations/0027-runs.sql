-- Whether a dispute ended with the customer owing what was disputed.
ALTER TABLE dispute_settled ADD COLUMN against_customer INTEGER NOT NULL DEFAULT 0 CHECK (against_customer IN (0, 1));
-- The most that a controller let a line be, corrections aside; what was cut off is not charged later.
ALTER TABLE charge_line ADD COLUMN cut_to INTEGER CHECK (cut_to >= 0);

-- Through when an item is charged is told by the lines of its charges.
ALTER TABLE item DROP COLUMN charged_through;

-- Reminders of an account are put off: from its day on, up to the day before until_date.
CREATE TABLE account_pause (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    from_date  TEXT    NOT NULL CHECK (length(from_date) = 10),
    until_date TEXT    NOT NULL CHECK (length(until_date) = 10),
    reason     TEXT    NOT NULL CHECK (length(reason) BETWEEN 1 AND 1000),
    made_by    TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at    TEXT    NOT NULL CHECK (length(made_at) <= 30),
    CHECK (from_date < until_date)
) STRICT;
CREATE INDEX account_pause_account ON account_pause (account_id);
CREATE TABLE account_pause_ended (
    id       INTEGER PRIMARY KEY,
    pause_id INTEGER NOT NULL UNIQUE REFERENCES account_pause,
    on_date  TEXT    NOT NULL CHECK (length(on_date) = 10),
    reason   TEXT    NOT NULL CHECK (length(reason) BETWEEN 1 AND 1000),
    made_by  TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at  TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;

-- Accounts handed over to be collected by others.
CREATE TABLE collection_case (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    from_date  TEXT    NOT NULL CHECK (length(from_date) = 10),
    kind       INTEGER NOT NULL CHECK (kind IN (0, 1)),
    handed_to  TEXT    NOT NULL CHECK (length(handed_to) BETWEEN 1 AND 200),
    reason     TEXT    NOT NULL CHECK (length(reason) BETWEEN 1 AND 1000),
    made_by    TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at    TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE INDEX collection_case_account ON collection_case (account_id);
CREATE TABLE collection_taken_back (
    id      INTEGER PRIMARY KEY,
    case_id INTEGER NOT NULL UNIQUE REFERENCES collection_case,
    on_date TEXT    NOT NULL CHECK (length(on_date) = 10),
    reason  TEXT    NOT NULL CHECK (length(reason) BETWEEN 1 AND 1000),
    made_by TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;

-- Late charges and reminders of many accounts at once. What a run is stays; its last step says how far it has come.
CREATE TABLE run (
    id      INTEGER PRIMARY KEY,
    kind    INTEGER NOT NULL CHECK (kind IN (0, 1)),
    date    TEXT    NOT NULL CHECK (length(date) = 10),
    scope   TEXT    NOT NULL CHECK (length(scope) <= 2000), -- in words
    made_by TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at TEXT    NOT NULL CHECK (length(made_at) <= 30),
    state   INTEGER NOT NULL CHECK (state BETWEEN 0 AND 7)
) STRICT;
CREATE INDEX run_at_work ON run (id) WHERE state IN (0, 2, 6);
CREATE INDEX run_date ON run (kind, date);
CREATE INDEX run_waiting ON run (kind, id) WHERE state IN (1, 3);
CREATE TABLE run_step (
    id       INTEGER PRIMARY KEY,
    run_id   INTEGER NOT NULL REFERENCES run,
    state    INTEGER NOT NULL CHECK (state BETWEEN 0 AND 7),
    send     INTEGER NOT NULL CHECK (send IN (0, 1)), -- whether documents go out to the customers
    detail   TEXT    NOT NULL CHECK (length(detail) <= 1000),
    identity TEXT    NOT NULL CHECK (length(identity) <= 200),
    made_by  TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at  TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE INDEX run_step_run ON run_step (run_id);
CREATE TRIGGER run_step_told AFTER INSERT ON run_step BEGIN UPDATE run SET state = NEW.state WHERE id = NEW.run_id; END;

-- What somebody decided otherwise than the rules.
CREATE TABLE run_change (
    id         INTEGER PRIMARY KEY,
    run_id     INTEGER NOT NULL REFERENCES run,
    account_id INTEGER NOT NULL REFERENCES account,
    kind       INTEGER NOT NULL CHECK (kind BETWEEN 0 AND 7),
    item_id    INTEGER REFERENCES item,
    amount     INTEGER CHECK (amount >= 0),
    level      INTEGER CHECK (level BETWEEN 1 AND 9),
    reason     TEXT    NOT NULL CHECK (length(reason) <= 1000),
    made_by    TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at    TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE INDEX run_change_account ON run_change (run_id, account_id);

-- What a run posted: a late charge, or a reminder with its postings.
CREATE TABLE run_posting (
    id          INTEGER PRIMARY KEY,
    run_id      INTEGER NOT NULL REFERENCES run,
    account_id  INTEGER NOT NULL REFERENCES account,
    entry_id    INTEGER REFERENCES entry,
    reminder_id INTEGER REFERENCES reminder,
    UNIQUE (run_id, account_id),
    CHECK ((entry_id IS NULL) <> (reminder_id IS NULL))
) STRICT;
CREATE INDEX run_posting_entry ON run_posting (entry_id) WHERE entry_id IS NOT NULL;
CREATE INDEX run_posting_reminder ON run_posting (reminder_id) WHERE reminder_id IS NOT NULL;

-- What the run comes to for each account as it was worked out last: this can be worked out again and is not sealed.
CREATE TABLE run_account (
    run_id      INTEGER NOT NULL,
    account_id  INTEGER NOT NULL,
    state       INTEGER NOT NULL CHECK (state BETWEEN 0 AND 5),
    currency    TEXT    NOT NULL CHECK (length(currency) = 3),
    weight      INTEGER NOT NULL, -- the amount in the base currency, by which lists are ordered
    amount      INTEGER NOT NULL,
    tax         INTEGER NOT NULL,
    fee         INTEGER NOT NULL,
    interest    INTEGER NOT NULL,
    level       INTEGER NOT NULL CHECK (level BETWEEN 0 AND 9),
    pay_by      TEXT    CHECK (length(pay_by) = 10),
    can_take_in INTEGER NOT NULL CHECK (can_take_in IN (0, 1)),
    reason      TEXT    NOT NULL CHECK (length(reason) <= 1000),
    lines       INTEGER NOT NULL, -- how many items are charged or asked for
    items       BLOB    NOT NULL CHECK (length(items) <= 50000000),
    PRIMARY KEY (run_id, account_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX run_account_state ON run_account (run_id, state, weight, currency, amount);
-- Items that were in reminders, which a run over the whole book looks for.
CREATE INDEX item_reminded ON item (id) WHERE reminders > 0;

CREATE TRIGGER account_pause_no_update BEFORE UPDATE ON account_pause BEGIN SELECT RAISE(ABORT, 'account_pause is append-only'); END;
CREATE TRIGGER account_pause_no_delete BEFORE DELETE ON account_pause BEGIN SELECT RAISE(ABORT, 'account_pause is append-only'); END;
CREATE TRIGGER account_pause_ended_no_update BEFORE UPDATE ON account_pause_ended BEGIN SELECT RAISE(ABORT, 'account_pause_ended is append-only'); END;
CREATE TRIGGER account_pause_ended_no_delete BEFORE DELETE ON account_pause_ended BEGIN SELECT RAISE(ABORT, 'account_pause_ended is append-only'); END;
CREATE TRIGGER collection_case_no_update BEFORE UPDATE ON collection_case BEGIN SELECT RAISE(ABORT, 'collection_case is append-only'); END;
CREATE TRIGGER collection_case_no_delete BEFORE DELETE ON collection_case BEGIN SELECT RAISE(ABORT, 'collection_case is append-only'); END;
CREATE TRIGGER collection_taken_back_no_update BEFORE UPDATE ON collection_taken_back BEGIN SELECT RAISE(ABORT, 'collection_taken_back is append-only'); END;
CREATE TRIGGER collection_taken_back_no_delete BEFORE DELETE ON collection_taken_back BEGIN SELECT RAISE(ABORT, 'collection_taken_back is append-only'); END;
CREATE TRIGGER run_no_update BEFORE UPDATE OF id, kind, date, scope, made_by, made_at ON run BEGIN SELECT RAISE(ABORT, 'run is append-only'); END;
CREATE TRIGGER run_no_delete BEFORE DELETE ON run BEGIN SELECT RAISE(ABORT, 'run is append-only'); END;
CREATE TRIGGER run_step_no_update BEFORE UPDATE ON run_step BEGIN SELECT RAISE(ABORT, 'run_step is append-only'); END;
CREATE TRIGGER run_step_no_delete BEFORE DELETE ON run_step BEGIN SELECT RAISE(ABORT, 'run_step is append-only'); END;
CREATE TRIGGER run_change_no_update BEFORE UPDATE ON run_change BEGIN SELECT RAISE(ABORT, 'run_change is append-only'); END;
CREATE TRIGGER run_change_no_delete BEFORE DELETE ON run_change BEGIN SELECT RAISE(ABORT, 'run_change is append-only'); END;
CREATE TRIGGER run_posting_no_update BEFORE UPDATE ON run_posting BEGIN SELECT RAISE(ABORT, 'run_posting is append-only'); END;
CREATE TRIGGER run_posting_no_delete BEFORE DELETE ON run_posting BEGIN SELECT RAISE(ABORT, 'run_posting is append-only'); END;
