-- The books of one company. Money is in integer minor units, dates are ISO text, kinds are the numbers of the
-- enumerations of the same name in the core.

CREATE TABLE company (
    id         INTEGER PRIMARY KEY CHECK (id = 1),
    settings   TEXT    NOT NULL CHECK (json_valid(settings)),
    version    INTEGER NOT NULL,
    -- Counts committed changes, so that a copy of the book held in memory knows whether it is current.
    changes    INTEGER NOT NULL DEFAULT 0
) STRICT;

-- Terms, late-charge policies and reminder plans. A change is a new row; documents keep the row they were made under.
CREATE TABLE policy (
    id         INTEGER PRIMARY KEY,
    kind       TEXT    NOT NULL CHECK (kind IN ('terms', 'late-charge', 'reminder-plan')),
    code       TEXT    NOT NULL,
    version    INTEGER NOT NULL CHECK (version > 0),
    name       TEXT    NOT NULL,
    definition TEXT    NOT NULL CHECK (json_valid(definition)),
    is_current INTEGER NOT NULL CHECK (is_current IN (0, 1)),
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL,
    UNIQUE (kind, code, version)
) STRICT;

CREATE TABLE account (
    id                 INTEGER PRIMARY KEY,
    code               TEXT    NOT NULL UNIQUE COLLATE NOCASE,
    name               TEXT    NOT NULL CHECK (name <> ''),
    currency           TEXT    NOT NULL CHECK (length(currency) = 3),
    terms              TEXT    NOT NULL,
    late_charge_policy TEXT,
    reminder_plan      TEXT,
    group_name         TEXT    NOT NULL DEFAULT '',
    owner              TEXT    NOT NULL DEFAULT '',
    email              TEXT    NOT NULL DEFAULT '',
    address            TEXT    NOT NULL DEFAULT '',
    version            INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE limit_change (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    from_date  TEXT    NOT NULL,
    amount     INTEGER NOT NULL CHECK (amount >= 0),
    reason     TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL
) STRICT;
CREATE INDEX limit_change_account ON limit_change (account_id);

CREATE TABLE uplift (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    from_date  TEXT    NOT NULL,
    until_date TEXT    NOT NULL,
    amount     INTEGER NOT NULL CHECK (amount > 0),
    reason     TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL,
    CHECK (from_date <= until_date)
) STRICT;
CREATE INDEX uplift_account ON uplift (account_id);

CREATE TABLE state_change (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    from_date  TEXT    NOT NULL,
    state      INTEGER NOT NULL CHECK (state BETWEEN 0 AND 2),
    reason     TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL
) STRICT;
CREATE INDEX state_change_account ON state_change (account_id);

CREATE TABLE sales_order (
    id           INTEGER PRIMARY KEY,
    account_id   INTEGER NOT NULL REFERENCES account,
    number       TEXT    NOT NULL,
    date         TEXT    NOT NULL,
    not_invoiced INTEGER NOT NULL CHECK (not_invoiced >= 0),
    UNIQUE (account_id, number)
) STRICT;

CREATE TABLE entry (
    id           INTEGER PRIMARY KEY,
    kind         INTEGER NOT NULL,
    account_id   INTEGER REFERENCES account,
    posting_date TEXT    NOT NULL,
    text         TEXT    NOT NULL,
    currency     TEXT    NOT NULL,
    reverses     INTEGER UNIQUE REFERENCES entry,
    request_key  TEXT    UNIQUE,
    request_hash TEXT,
    posted_by    TEXT    NOT NULL,
    posted_at    TEXT    NOT NULL
) STRICT;
CREATE INDEX entry_account ON entry (account_id) WHERE account_id IS NOT NULL;

CREATE TABLE journal_line (
    entry_id INTEGER NOT NULL REFERENCES entry,
    line     INTEGER NOT NULL,
    purpose  INTEGER NOT NULL,
    amount   INTEGER NOT NULL CHECK (amount <> 0),
    PRIMARY KEY (entry_id, line)
) STRICT, WITHOUT ROWID;

CREATE TABLE document (
    id               INTEGER PRIMARY KEY,
    account_id       INTEGER NOT NULL REFERENCES account,
    entry_id         INTEGER NOT NULL REFERENCES entry,
    kind             INTEGER NOT NULL,
    number           TEXT    NOT NULL,
    date             TEXT    NOT NULL,
    net              INTEGER NOT NULL,
    tax              INTEGER NOT NULL,
    not_discountable INTEGER NOT NULL,
    terms_id         INTEGER REFERENCES policy,
    reference        TEXT    NOT NULL DEFAULT '',
    UNIQUE (account_id, number)
) STRICT;

-- open, charged_through, reminder_level and reminded_on are projections of movements, charges and reminders.
CREATE TABLE item (
    id              INTEGER PRIMARY KEY,
    document_id     INTEGER NOT NULL REFERENCES document,
    account_id      INTEGER NOT NULL REFERENCES account,
    kind            INTEGER NOT NULL,
    instalment      INTEGER NOT NULL,
    instalments     INTEGER NOT NULL, -- how many the document has
    date            TEXT    NOT NULL,
    due             TEXT    NOT NULL,
    open            INTEGER NOT NULL,
    charged_through TEXT,
    reminder_level  INTEGER NOT NULL DEFAULT 0,
    reminded_on     TEXT
) STRICT;
CREATE INDEX item_account ON item (account_id);

CREATE TABLE movement (
    item_id    INTEGER NOT NULL REFERENCES item,
    seq        INTEGER NOT NULL,
    entry_id   INTEGER NOT NULL REFERENCES entry,
    kind       INTEGER NOT NULL,
    value_date TEXT    NOT NULL,
    amount     INTEGER NOT NULL CHECK (amount <> 0),
    PRIMARY KEY (item_id, seq)
) STRICT, WITHOUT ROWID;

CREATE TABLE charge_line (
    entry_id       INTEGER NOT NULL REFERENCES entry,
    item_id        INTEGER NOT NULL REFERENCES item,
    through        TEXT    NOT NULL,
    former_through TEXT,
    amount         INTEGER NOT NULL,
    PRIMARY KEY (entry_id, item_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX charge_line_item ON charge_line (item_id);

CREATE TABLE reminder (
    id          INTEGER PRIMARY KEY,
    account_id  INTEGER NOT NULL REFERENCES account,
    number      TEXT    NOT NULL UNIQUE,
    level       INTEGER NOT NULL CHECK (level BETWEEN 1 AND 9),
    date        TEXT    NOT NULL,
    pay_by      TEXT    NOT NULL,
    fee         INTEGER NOT NULL,
    fee_posted  INTEGER NOT NULL CHECK (fee_posted IN (0, 1)),
    late_charge INTEGER NOT NULL,
    total       INTEGER NOT NULL,
    plan_id     INTEGER NOT NULL REFERENCES policy,
    entry_id    INTEGER REFERENCES entry,
    letter      BLOB    NOT NULL,
    issued_by   TEXT    NOT NULL,
    issued_at   TEXT    NOT NULL
) STRICT;
CREATE INDEX reminder_account ON reminder (account_id);

CREATE TABLE reminder_item (
    reminder_id INTEGER NOT NULL REFERENCES reminder,
    item_id     INTEGER NOT NULL REFERENCES item,
    level       INTEGER NOT NULL,
    moves       INTEGER NOT NULL CHECK (moves IN (0, 1)), -- 0: listed in the letter without reaching a level
    open        INTEGER NOT NULL,
    PRIMARY KEY (reminder_id, item_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX reminder_item_item ON reminder_item (item_id);

CREATE TABLE reminder_cancelled (
    reminder_id  INTEGER PRIMARY KEY REFERENCES reminder,
    reason       TEXT    NOT NULL,
    cancelled_by TEXT    NOT NULL,
    cancelled_at TEXT    NOT NULL
) STRICT;

CREATE TABLE number_series (
    name TEXT    PRIMARY KEY,
    next INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

-- Each row carries the hash of the row before, so that a row cannot be changed or dropped unseen.
CREATE TABLE audit (
    id         INTEGER PRIMARY KEY,
    at         TEXT    NOT NULL,
    who        TEXT    NOT NULL,
    subject    TEXT    NOT NULL,
    action     TEXT    NOT NULL,
    detail     TEXT    NOT NULL CHECK (json_valid(detail)),
    reason     TEXT    NOT NULL,
    prior_hash TEXT    NOT NULL,
    hash       TEXT    NOT NULL
) STRICT;
CREATE INDEX audit_subject ON audit (subject);
