-- The groups that accounts counted towards before, for what is shown of past days.
CREATE TABLE former_group (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    until      TEXT    NOT NULL CHECK (length(until) = 10), -- the first day on which it counted towards the next
    group_name TEXT    NOT NULL CHECK (length(group_name) <= 100)
) STRICT;
CREATE INDEX former_group_account ON former_group (account_id);
CREATE TRIGGER former_group_no_update BEFORE UPDATE ON former_group BEGIN SELECT RAISE(ABORT, 'former_group is append-only'); END;
CREATE TRIGGER former_group_no_delete BEFORE DELETE ON former_group BEGIN SELECT RAISE(ABORT, 'former_group is append-only'); END;

-- What documents were printed on and to whom, so that a later print is the same paper. Each paper of the company is kept once.
CREATE TABLE paper (
    id            INTEGER PRIMARY KEY,
    letterhead_id INTEGER REFERENCES letterhead,
    text          TEXT    NOT NULL CHECK (json_valid(text) AND length(text) <= 20000)
) STRICT;
CREATE TRIGGER paper_no_update BEFORE UPDATE ON paper BEGIN SELECT RAISE(ABORT, 'paper is append-only'); END;
CREATE TRIGGER paper_no_delete BEFORE DELETE ON paper BEGIN SELECT RAISE(ABORT, 'paper is append-only'); END;
CREATE TABLE document_paper (
    id          INTEGER PRIMARY KEY,
    document_id INTEGER NOT NULL UNIQUE REFERENCES document,
    paper_id    INTEGER NOT NULL REFERENCES paper,
    addressee   TEXT    NOT NULL CHECK (json_valid(addressee) AND length(addressee) <= 5000),
    late_charge TEXT    NOT NULL CHECK (length(late_charge) <= 500),
    exemption   TEXT    NOT NULL CHECK (length(exemption) <= 1000)
) STRICT;
CREATE TRIGGER document_paper_no_update BEFORE UPDATE ON document_paper BEGIN SELECT RAISE(ABORT, 'document_paper is append-only'); END;
CREATE TRIGGER document_paper_no_delete BEFORE DELETE ON document_paper BEGIN SELECT RAISE(ABORT, 'document_paper is append-only'); END;
CREATE TABLE reminder_paper (
    id          INTEGER PRIMARY KEY,
    reminder_id INTEGER NOT NULL UNIQUE REFERENCES reminder,
    paper_id    INTEGER NOT NULL REFERENCES paper,
    addressee   TEXT    NOT NULL CHECK (json_valid(addressee) AND length(addressee) <= 5000)
) STRICT;
CREATE TRIGGER reminder_paper_no_update BEFORE UPDATE ON reminder_paper BEGIN SELECT RAISE(ABORT, 'reminder_paper is append-only'); END;
CREATE TRIGGER reminder_paper_no_delete BEFORE DELETE ON reminder_paper BEGIN SELECT RAISE(ABORT, 'reminder_paper is append-only'); END;
