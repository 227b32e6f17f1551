-- Groups of accounts with a limit of their own. Accounts name theirs; a group may belong to another.
CREATE TABLE account_group (
    id       INTEGER PRIMARY KEY,
    name     TEXT    NOT NULL UNIQUE COLLATE NOCASE CHECK (name <> ''),
    currency TEXT    NOT NULL CHECK (length(currency) = 3),
    parent   TEXT    NOT NULL DEFAULT '' COLLATE NOCASE,
    version  INTEGER NOT NULL DEFAULT 1,
    CHECK (parent <> name)
) STRICT;
INSERT INTO account_group (name, currency)
SELECT group_name, (SELECT settings ->> 'baseCurrency' FROM company) FROM account WHERE group_name <> '' GROUP BY group_name COLLATE NOCASE;
CREATE INDEX account_group_name ON account (group_name COLLATE NOCASE) WHERE group_name <> '';

-- Limits and uplifts of accounts and of groups. recorded_on is the business date on which a row entered the books:
-- days before know nothing of it.
DROP TRIGGER limit_change_no_update;
DROP TRIGGER limit_change_no_delete;
CREATE TABLE limit_change_next (
    id              INTEGER PRIMARY KEY,
    account_id      INTEGER REFERENCES account,
    group_id        INTEGER REFERENCES account_group,
    from_date       TEXT    NOT NULL,
    amount          INTEGER NOT NULL CHECK (amount >= 0),
    source          INTEGER NOT NULL DEFAULT 0 CHECK (source BETWEEN 0 AND 3),
    insured         INTEGER NOT NULL DEFAULT 0 CHECK (insured >= 0),
    security        TEXT    NOT NULL DEFAULT '',
    security_amount INTEGER NOT NULL DEFAULT 0 CHECK (security_amount >= 0),
    review_on       TEXT,
    recorded_on     TEXT    NOT NULL,
    reason          TEXT    NOT NULL,
    made_by         TEXT    NOT NULL,
    made_at         TEXT    NOT NULL,
    CHECK ((account_id IS NULL) <> (group_id IS NULL))
) STRICT;
INSERT INTO limit_change_next (id, account_id, from_date, amount, recorded_on, reason, made_by, made_at)
SELECT id, account_id, from_date, amount, from_date, reason, made_by, made_at FROM limit_change;
DROP TABLE limit_change;
ALTER TABLE limit_change_next RENAME TO limit_change;
CREATE INDEX limit_change_account ON limit_change (account_id) WHERE account_id IS NOT NULL;
CREATE INDEX limit_change_group ON limit_change (group_id) WHERE group_id IS NOT NULL;
CREATE TRIGGER limit_change_no_update BEFORE UPDATE ON limit_change BEGIN SELECT RAISE(ABORT, 'limit_change is append-only'); END;
CREATE TRIGGER limit_change_no_delete BEFORE DELETE ON limit_change BEGIN SELECT RAISE(ABORT, 'limit_change is append-only'); END;

DROP TRIGGER uplift_no_update;
DROP TRIGGER uplift_no_delete;
CREATE TABLE uplift_next (
    id          INTEGER PRIMARY KEY,
    account_id  INTEGER REFERENCES account,
    group_id    INTEGER REFERENCES account_group,
    from_date   TEXT    NOT NULL,
    until_date  TEXT    NOT NULL,
    amount      INTEGER NOT NULL CHECK (amount > 0),
    recorded_on TEXT    NOT NULL,
    reason      TEXT    NOT NULL,
    made_by     TEXT    NOT NULL,
    made_at     TEXT    NOT NULL,
    CHECK (from_date <= until_date),
    CHECK ((account_id IS NULL) <> (group_id IS NULL))
) STRICT;
INSERT INTO uplift_next (id, account_id, from_date, until_date, amount, recorded_on, reason, made_by, made_at)
SELECT id, account_id, from_date, until_date, amount, from_date, reason, made_by, made_at FROM uplift;
DROP TABLE uplift;
ALTER TABLE uplift_next RENAME TO uplift;
CREATE INDEX uplift_account ON uplift (account_id) WHERE account_id IS NOT NULL;
CREATE INDEX uplift_group ON uplift (group_id) WHERE group_id IS NOT NULL;
CREATE TRIGGER uplift_no_update BEFORE UPDATE ON uplift BEGIN SELECT RAISE(ABORT, 'uplift is append-only'); END;
CREATE TRIGGER uplift_no_delete BEFORE DELETE ON uplift BEGIN SELECT RAISE(ABORT, 'uplift is append-only'); END;

-- An uplift that was ended before its last day.
CREATE TABLE uplift_end (
    uplift_id INTEGER PRIMARY KEY REFERENCES uplift,
    on_date   TEXT    NOT NULL,
    reason    TEXT    NOT NULL,
    made_by   TEXT    NOT NULL,
    made_at   TEXT    NOT NULL
) STRICT;
CREATE TRIGGER uplift_end_no_update BEFORE UPDATE ON uplift_end BEGIN SELECT RAISE(ABORT, 'uplift_end is append-only'); END;
CREATE TRIGGER uplift_end_no_delete BEFORE DELETE ON uplift_end BEGIN SELECT RAISE(ABORT, 'uplift_end is append-only'); END;

-- Limits and uplifts above somebody's authority, as they were asked for, and how each was answered.
CREATE TABLE limit_request (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER REFERENCES account,
    group_id   INTEGER REFERENCES account_group,
    proposal   TEXT    NOT NULL CHECK (json_valid(proposal)),
    resulting  INTEGER NOT NULL, -- the effective limit it would lead to, in minor units of the account or group
    asked_on   TEXT    NOT NULL,
    expires_on TEXT    NOT NULL,
    asked_by   TEXT    NOT NULL,
    asked_at   TEXT    NOT NULL,
    CHECK ((account_id IS NULL) <> (group_id IS NULL))
) STRICT;
CREATE TABLE limit_request_answer (
    request_id INTEGER PRIMARY KEY REFERENCES limit_request,
    outcome    INTEGER NOT NULL CHECK (outcome BETWEEN 1 AND 3), -- approved, refused, withdrawn
    on_date    TEXT    NOT NULL,
    reason     TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL
) STRICT;
CREATE TRIGGER limit_request_no_update BEFORE UPDATE ON limit_request BEGIN SELECT RAISE(ABORT, 'limit_request is append-only'); END;
CREATE TRIGGER limit_request_no_delete BEFORE DELETE ON limit_request BEGIN SELECT RAISE(ABORT, 'limit_request is append-only'); END;
CREATE TRIGGER limit_request_answer_no_update BEFORE UPDATE ON limit_request_answer BEGIN SELECT RAISE(ABORT, 'limit_request_answer is append-only'); END;
CREATE TRIGGER limit_request_answer_no_delete BEFORE DELETE ON limit_request_answer BEGIN SELECT RAISE(ABORT, 'limit_request_answer is append-only'); END;

-- What one unit of a currency was worth in the base currency. A correction is a later row for the same day.
CREATE TABLE exchange_rate (
    id          INTEGER PRIMARY KEY,
    currency    TEXT    NOT NULL CHECK (length(currency) = 3),
    on_date     TEXT    NOT NULL,
    rate        TEXT    NOT NULL,
    source      TEXT    NOT NULL,
    recorded_on TEXT    NOT NULL,
    made_by     TEXT    NOT NULL,
    made_at     TEXT    NOT NULL
) STRICT;
CREATE INDEX exchange_rate_currency ON exchange_rate (currency, on_date);
CREATE TRIGGER exchange_rate_no_update BEFORE UPDATE ON exchange_rate BEGIN SELECT RAISE(ABORT, 'exchange_rate is append-only'); END;
CREATE TRIGGER exchange_rate_no_delete BEFORE DELETE ON exchange_rate BEGIN SELECT RAISE(ABORT, 'exchange_rate is append-only'); END;

-- What a credit agency reported of a customer when it was asked.
CREATE TABLE agency_report (
    id          INTEGER PRIMARY KEY,
    account_id  INTEGER NOT NULL REFERENCES account,
    agency      TEXT    NOT NULL,
    on_date     TEXT    NOT NULL,
    rating      TEXT    NOT NULL,
    currency    TEXT    NOT NULL CHECK (length(currency) = 3),
    recommended INTEGER NOT NULL CHECK (recommended >= 0),
    net_worth   INTEGER,
    made_by     TEXT    NOT NULL,
    made_at     TEXT    NOT NULL
) STRICT;
CREATE INDEX agency_report_account ON agency_report (account_id);
CREATE TRIGGER agency_report_no_update BEFORE UPDATE ON agency_report BEGIN SELECT RAISE(ABORT, 'agency_report is append-only'); END;
CREATE TRIGGER agency_report_no_delete BEFORE DELETE ON agency_report BEGIN SELECT RAISE(ABORT, 'agency_report is append-only'); END;

-- What a customer disputes of an item; from and to are business dates.
CREATE TABLE dispute (
    id        INTEGER PRIMARY KEY,
    item_id   INTEGER NOT NULL REFERENCES item,
    amount    INTEGER NOT NULL CHECK (amount > 0),
    from_date TEXT    NOT NULL,
    owner     TEXT    NOT NULL,
    reason    TEXT    NOT NULL,
    made_by   TEXT    NOT NULL,
    made_at   TEXT    NOT NULL
) STRICT;
CREATE INDEX dispute_item ON dispute (item_id);
CREATE TABLE dispute_settled (
    dispute_id INTEGER PRIMARY KEY REFERENCES dispute,
    on_date    TEXT    NOT NULL,
    outcome    TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL
) STRICT;
CREATE TRIGGER dispute_no_update BEFORE UPDATE ON dispute BEGIN SELECT RAISE(ABORT, 'dispute is append-only'); END;
CREATE TRIGGER dispute_no_delete BEFORE DELETE ON dispute BEGIN SELECT RAISE(ABORT, 'dispute is append-only'); END;
CREATE TRIGGER dispute_settled_no_update BEFORE UPDATE ON dispute_settled BEGIN SELECT RAISE(ABORT, 'dispute_settled is append-only'); END;
CREATE TRIGGER dispute_settled_no_delete BEFORE DELETE ON dispute_settled BEGIN SELECT RAISE(ABORT, 'dispute_settled is append-only'); END;

-- What a customer promised to pay, and by when.
CREATE TABLE promise (
    id         INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES account,
    made_on    TEXT    NOT NULL,
    due_on     TEXT    NOT NULL,
    amount     INTEGER NOT NULL CHECK (amount > 0),
    contact    TEXT    NOT NULL,
    note       TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL,
    CHECK (made_on <= due_on)
) STRICT;
CREATE INDEX promise_account ON promise (account_id);
CREATE TABLE promise_withdrawn (
    promise_id INTEGER PRIMARY KEY REFERENCES promise,
    on_date    TEXT    NOT NULL,
    reason     TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL
) STRICT;
CREATE TRIGGER promise_no_update BEFORE UPDATE ON promise BEGIN SELECT RAISE(ABORT, 'promise is append-only'); END;
CREATE TRIGGER promise_no_delete BEFORE DELETE ON promise BEGIN SELECT RAISE(ABORT, 'promise is append-only'); END;
CREATE TRIGGER promise_withdrawn_no_update BEFORE UPDATE ON promise_withdrawn BEGIN SELECT RAISE(ABORT, 'promise_withdrawn is append-only'); END;
CREATE TRIGGER promise_withdrawn_no_delete BEFORE DELETE ON promise_withdrawn BEGIN SELECT RAISE(ABORT, 'promise_withdrawn is append-only'); END;

-- From this day on a receipt is certain, by the days its payment method took to clear when it was posted; null when it was at once.
ALTER TABLE document ADD COLUMN clears_on TEXT;
-- What such a receipt settled of other items when it was posted.
ALTER TABLE document ADD COLUMN allocated INTEGER NOT NULL DEFAULT 0;
