-- What is known of a customer beyond what its account is reckoned by.
ALTER TABLE account ADD COLUMN profile TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(profile));
CREATE INDEX account_email ON account (email COLLATE NOCASE) WHERE email <> '';

-- The identifiers of the profiles, so that a duplicate is found while its number is typed.
CREATE TABLE account_identifier (
    account_id INTEGER NOT NULL REFERENCES account,
    scheme     TEXT    NOT NULL,
    number     TEXT    NOT NULL,
    PRIMARY KEY (account_id, scheme, number)
) STRICT, WITHOUT ROWID;
CREATE INDEX account_identifier_number ON account_identifier (number);

-- How a receipt came in; empty for other documents.
ALTER TABLE document ADD COLUMN payment_method TEXT NOT NULL DEFAULT '';

-- Series bear the names of the enumeration in the core, since their prefixes are the company's to choose.
UPDATE number_series SET name = CASE name
    WHEN 'INV' THEN 'Invoice' WHEN 'CRN' THEN 'CreditNote' WHEN 'RCT' THEN 'Receipt'
    WHEN 'LCH' THEN 'LateCharge' WHEN 'FEE' THEN 'ReminderFee' WHEN 'REM' THEN 'Reminder' ELSE name END;

CREATE TABLE attachment (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    name       TEXT    NOT NULL CHECK (name <> ''),
    media_type TEXT    NOT NULL,
    size       INTEGER NOT NULL CHECK (size > 0),
    sha256     TEXT    NOT NULL,
    content    BLOB    NOT NULL CHECK (length(content) = size),
    note       TEXT    NOT NULL,
    added_by   TEXT    NOT NULL,
    added_at   TEXT    NOT NULL
) STRICT;
CREATE INDEX attachment_account ON attachment (account_id);
CREATE TRIGGER attachment_no_update BEFORE UPDATE ON attachment BEGIN SELECT RAISE(ABORT, 'attachment is append-only'); END;

-- Calls, letters, e-mails and notes. What was written down stays; a correction is a note of its own.
CREATE TABLE contact_log (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    kind       INTEGER NOT NULL CHECK (kind BETWEEN 0 AND 3),
    on_date    TEXT    NOT NULL,
    contact    TEXT    NOT NULL,
    text       TEXT    NOT NULL CHECK (text <> ''),
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL
) STRICT;
CREATE INDEX contact_log_account ON contact_log (account_id);
CREATE TRIGGER contact_log_no_update BEFORE UPDATE ON contact_log BEGIN SELECT RAISE(ABORT, 'contact_log is append-only'); END;
CREATE TRIGGER contact_log_no_delete BEFORE DELETE ON contact_log BEGIN SELECT RAISE(ABORT, 'contact_log is append-only'); END;

-- One change made on many accounts at once, so that it can be taken back as one.
CREATE TABLE change_batch (
    id        INTEGER PRIMARY KEY,
    field     TEXT    NOT NULL,
    value     TEXT    NOT NULL,
    reason    TEXT    NOT NULL,
    made_by   TEXT    NOT NULL,
    made_at   TEXT    NOT NULL,
    undone_by TEXT,
    undone_at TEXT
) STRICT;
CREATE TABLE change_batch_line (
    batch_id   INTEGER NOT NULL REFERENCES change_batch,
    account_id INTEGER NOT NULL REFERENCES account,
    before     TEXT    NOT NULL,
    after      TEXT    NOT NULL,
    PRIMARY KEY (batch_id, account_id)
) STRICT, WITHOUT ROWID;
