-- The company's own bank accounts, by IBAN or another number without spaces.
CREATE TABLE own_account (
    id       INTEGER PRIMARY KEY,
    account  TEXT    NOT NULL UNIQUE CHECK (length(account) BETWEEN 1 AND 40),
    currency TEXT    NOT NULL CHECK (length(currency) = 3),
    method   TEXT    NOT NULL CHECK (length(method) <= 20),
    made_by  TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at  TEXT    NOT NULL
) STRICT;

-- Bank accounts that customers pay from: typed in, or learned from what was assigned by hand.
CREATE TABLE payer_account (
    id           INTEGER PRIMARY KEY,
    account_id   INTEGER NOT NULL REFERENCES account,
    bank_account TEXT    NOT NULL CHECK (length(bank_account) BETWEEN 1 AND 40),
    learned      INTEGER NOT NULL CHECK (learned IN (0, 1)),
    made_by      TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at      TEXT    NOT NULL,
    UNIQUE (bank_account, account_id)
) STRICT;
CREATE INDEX payer_account_account ON payer_account (account_id);

-- Statements as the bank wrote them; amounts are minor units in the currency of the account.
CREATE TABLE bank_statement (
    id             INTEGER PRIMARY KEY,
    own_account_id INTEGER NOT NULL REFERENCES own_account,
    statement      TEXT    NOT NULL CHECK (length(statement) BETWEEN 1 AND 200),
    opening        INTEGER NOT NULL,
    closing        INTEGER NOT NULL,
    made_by        TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at        TEXT    NOT NULL,
    UNIQUE (own_account_id, statement)
) STRICT;
CREATE TRIGGER bank_statement_no_update BEFORE UPDATE ON bank_statement BEGIN SELECT RAISE(ABORT, 'bank_statement is append-only'); END;
CREATE TRIGGER bank_statement_no_delete BEFORE DELETE ON bank_statement BEGIN SELECT RAISE(ABORT, 'bank_statement is append-only'); END;

CREATE TABLE bank_entry (
    id             INTEGER PRIMARY KEY,
    statement_id   INTEGER NOT NULL REFERENCES bank_statement,
    own_account_id INTEGER NOT NULL REFERENCES own_account,
    reference      TEXT    NOT NULL CHECK (length(reference) BETWEEN 1 AND 200),
    date           TEXT    NOT NULL,
    value_date     TEXT    NOT NULL,
    amount         INTEGER NOT NULL,
    booked         INTEGER NOT NULL CHECK (booked IN (0, 1)),
    reversal       INTEGER NOT NULL CHECK (reversal IN (0, 1)),
    return_reason  TEXT    NOT NULL CHECK (length(return_reason) <= 200),
    charges        INTEGER NOT NULL CHECK (charges >= 0),
    payer          TEXT    NOT NULL CHECK (length(payer) <= 200),
    payer_account  TEXT    NOT NULL CHECK (length(payer_account) <= 40),
    text           TEXT    NOT NULL CHECK (length(text) <= 31000),
    end_to_end     TEXT    NOT NULL CHECK (length(end_to_end) <= 200),
    foreign_amount TEXT    NOT NULL CHECK (length(foreign_amount) <= 100)
) STRICT;
-- What was booked comes in once, whatever statement it stands in.
CREATE UNIQUE INDEX bank_entry_once ON bank_entry (own_account_id, reference, date, amount) WHERE booked;
CREATE INDEX bank_entry_statement ON bank_entry (statement_id);
CREATE TRIGGER bank_entry_no_update BEFORE UPDATE ON bank_entry BEGIN SELECT RAISE(ABORT, 'bank_entry is append-only'); END;
CREATE TRIGGER bank_entry_no_delete BEFORE DELETE ON bank_entry BEGIN SELECT RAISE(ABORT, 'bank_entry is append-only'); END;

-- The posting that an entry became. One that was taken back may become another.
CREATE TABLE bank_entry_posted (
    id       INTEGER PRIMARY KEY,
    entry_id INTEGER NOT NULL REFERENCES bank_entry,
    posting  INTEGER NOT NULL UNIQUE REFERENCES entry
) STRICT;
CREATE INDEX bank_entry_posted_entry ON bank_entry_posted (entry_id);
CREATE TRIGGER bank_entry_posted_no_update BEFORE UPDATE ON bank_entry_posted BEGIN SELECT RAISE(ABORT, 'bank_entry_posted is append-only'); END;
CREATE TRIGGER bank_entry_posted_no_delete BEFORE DELETE ON bank_entry_posted BEGIN SELECT RAISE(ABORT, 'bank_entry_posted is append-only'); END;

-- What changes is sealed at the end of the transaction.
CREATE TRIGGER own_account_unsealed_inserted AFTER INSERT ON own_account BEGIN INSERT INTO unsealed SELECT 'own_account', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'own_account' AND key = k); END;
CREATE TRIGGER own_account_unsealed_updated AFTER UPDATE ON own_account BEGIN INSERT INTO unsealed SELECT 'own_account', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'own_account' AND key = k); END;
CREATE TRIGGER own_account_unsealed_deleted AFTER DELETE ON own_account BEGIN INSERT INTO unsealed SELECT 'own_account', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'own_account' AND key = k); END;
CREATE TRIGGER payer_account_unsealed_inserted AFTER INSERT ON payer_account BEGIN INSERT INTO unsealed SELECT 'payer_account', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'payer_account' AND key = k); END;
CREATE TRIGGER payer_account_unsealed_updated AFTER UPDATE ON payer_account BEGIN INSERT INTO unsealed SELECT 'payer_account', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'payer_account' AND key = k); END;
CREATE TRIGGER payer_account_unsealed_deleted AFTER DELETE ON payer_account BEGIN INSERT INTO unsealed SELECT 'payer_account', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'payer_account' AND key = k); END;
CREATE TRIGGER bank_statement_unsealed_inserted AFTER INSERT ON bank_statement BEGIN INSERT INTO unsealed SELECT 'bank_statement', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_statement' AND key = k); END;
CREATE TRIGGER bank_statement_unsealed_updated AFTER UPDATE ON bank_statement BEGIN INSERT INTO unsealed SELECT 'bank_statement', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_statement' AND key = k); END;
CREATE TRIGGER bank_statement_unsealed_deleted AFTER DELETE ON bank_statement BEGIN INSERT INTO unsealed SELECT 'bank_statement', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_statement' AND key = k); END;
CREATE TRIGGER bank_entry_unsealed_inserted AFTER INSERT ON bank_entry BEGIN INSERT INTO unsealed SELECT 'bank_entry', k FROM (SELECT CAST(NEW.statement_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry' AND key = k); END;
CREATE TRIGGER bank_entry_unsealed_updated AFTER UPDATE ON bank_entry BEGIN INSERT INTO unsealed SELECT 'bank_entry', k FROM (SELECT CAST(NEW.statement_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry' AND key = k); END;
CREATE TRIGGER bank_entry_unsealed_deleted AFTER DELETE ON bank_entry BEGIN INSERT INTO unsealed SELECT 'bank_entry', k FROM (SELECT CAST(OLD.statement_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry' AND key = k); END;
CREATE TRIGGER bank_entry_posted_unsealed_inserted AFTER INSERT ON bank_entry_posted BEGIN INSERT INTO unsealed SELECT 'bank_entry_posted', k FROM (SELECT CAST(NEW.entry_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_posted' AND key = k); END;
CREATE TRIGGER bank_entry_posted_unsealed_updated AFTER UPDATE ON bank_entry_posted BEGIN INSERT INTO unsealed SELECT 'bank_entry_posted', k FROM (SELECT CAST(NEW.entry_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_posted' AND key = k); END;
CREATE TRIGGER bank_entry_posted_unsealed_deleted AFTER DELETE ON bank_entry_posted BEGIN INSERT INTO unsealed SELECT 'bank_entry_posted', k FROM (SELECT CAST(OLD.entry_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_posted' AND key = k); END;
