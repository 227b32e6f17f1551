-- Posted invoices whose terms or discount were changed: what holds from a day on. A reversal of the entry ends it.
CREATE TABLE amendment (
    id          INTEGER PRIMARY KEY,
    entry_id    INTEGER NOT NULL UNIQUE REFERENCES entry,
    document_id INTEGER NOT NULL REFERENCES document,
    account_id  INTEGER NOT NULL REFERENCES account,
    date        TEXT    NOT NULL CHECK (length(date) = 10), -- by value it holds from this day on
    definition  TEXT    NOT NULL CHECK (json_valid(definition) AND length(definition) <= 20000)
) STRICT;
CREATE INDEX amendment_account ON amendment (account_id);
CREATE INDEX amendment_document ON amendment (document_id);
CREATE TRIGGER amendment_no_update BEFORE UPDATE ON amendment BEGIN SELECT RAISE(ABORT, 'amendment is append-only'); END;
CREATE TRIGGER amendment_no_delete BEFORE DELETE ON amendment BEGIN SELECT RAISE(ABORT, 'amendment is append-only'); END;

-- Due dates that amendments and their reversals changed; the latest of an item says when it is due now.
CREATE TABLE due_change (
    id         INTEGER PRIMARY KEY,
    entry_id   INTEGER NOT NULL REFERENCES entry, -- an amendment, or the reversal of one
    account_id INTEGER NOT NULL REFERENCES account,
    item_id    INTEGER NOT NULL REFERENCES item,
    posted_on  TEXT    NOT NULL CHECK (length(posted_on) = 10),
    former     TEXT    NOT NULL CHECK (length(former) = 10),
    due        TEXT    NOT NULL CHECK (length(due) = 10)
) STRICT;
CREATE INDEX due_change_account ON due_change (account_id);
CREATE INDEX due_change_item ON due_change (item_id);
CREATE INDEX due_change_entry ON due_change (entry_id);
CREATE TRIGGER due_change_no_update BEFORE UPDATE ON due_change BEGIN SELECT RAISE(ABORT, 'due_change is append-only'); END;
CREATE TRIGGER due_change_no_delete BEFORE DELETE ON due_change BEGIN SELECT RAISE(ABORT, 'due_change is append-only'); END;

-- Two bytes for each key of a sealed run, by which verify names the very row that is not as it was stored.
ALTER TABLE seal_run ADD COLUMN marks BLOB;

-- The groups that groups belonged to before, for what is shown of past days.
CREATE TABLE former_parent (
    id       INTEGER PRIMARY KEY,
    group_id INTEGER NOT NULL REFERENCES account_group,
    until    TEXT    NOT NULL CHECK (length(until) = 10), -- the first day on which it belonged to the next
    parent   TEXT    NOT NULL CHECK (length(parent) <= 100)
) STRICT;
CREATE INDEX former_parent_group ON former_parent (group_id);
CREATE TRIGGER former_parent_no_update BEFORE UPDATE ON former_parent BEGIN SELECT RAISE(ABORT, 'former_parent is append-only'); END;
CREATE TRIGGER former_parent_no_delete BEFORE DELETE ON former_parent BEGIN SELECT RAISE(ABORT, 'former_parent is append-only'); END;
