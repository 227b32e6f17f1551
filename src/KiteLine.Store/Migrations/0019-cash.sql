-- Money that came in and whose payer is not known: it is in the bank and in cash on account, on no customer's account.
CREATE TABLE unassigned_receipt (
    id            INTEGER PRIMARY KEY,
    entry_id      INTEGER NOT NULL UNIQUE REFERENCES entry,
    currency      TEXT    NOT NULL CHECK (length(currency) = 3),
    amount        INTEGER NOT NULL CHECK (amount > 0),
    charges       INTEGER NOT NULL CHECK (charges >= 0),
    value_date    TEXT    NOT NULL,
    method        TEXT    NOT NULL CHECK (length(method) <= 20),
    payer         TEXT    NOT NULL CHECK (length(payer) <= 200),
    payer_account TEXT    NOT NULL CHECK (length(payer_account) <= 40),
    text          TEXT    NOT NULL CHECK (length(text) <= 31000)
) STRICT;
CREATE TRIGGER unassigned_receipt_no_update BEFORE UPDATE ON unassigned_receipt BEGIN SELECT RAISE(ABORT, 'unassigned_receipt is append-only'); END;
CREATE TRIGGER unassigned_receipt_no_delete BEFORE DELETE ON unassigned_receipt BEGIN SELECT RAISE(ABORT, 'unassigned_receipt is append-only'); END;

-- The posting on a customer's account that it became. One that was taken back may become another.
CREATE TABLE unassigned_receipt_assigned (
    id         INTEGER PRIMARY KEY,
    receipt_id INTEGER NOT NULL REFERENCES unassigned_receipt,
    posting    INTEGER NOT NULL UNIQUE REFERENCES entry
) STRICT;
CREATE INDEX unassigned_receipt_assigned_receipt ON unassigned_receipt_assigned (receipt_id);
CREATE TRIGGER unassigned_receipt_assigned_no_update BEFORE UPDATE ON unassigned_receipt_assigned BEGIN SELECT RAISE(ABORT, 'unassigned_receipt_assigned is append-only'); END;
CREATE TRIGGER unassigned_receipt_assigned_no_delete BEFORE DELETE ON unassigned_receipt_assigned BEGIN SELECT RAISE(ABORT, 'unassigned_receipt_assigned is append-only'); END;

-- Entries of statements that are no customers' business, with the reason; and those taken up again.
CREATE TABLE bank_entry_aside (
    id       INTEGER PRIMARY KEY,
    entry_id INTEGER NOT NULL REFERENCES bank_entry,
    reason   TEXT    NOT NULL CHECK (length(reason) BETWEEN 1 AND 2000),
    made_by  TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at  TEXT    NOT NULL
) STRICT;
CREATE INDEX bank_entry_aside_entry ON bank_entry_aside (entry_id);
CREATE TRIGGER bank_entry_aside_no_update BEFORE UPDATE ON bank_entry_aside BEGIN SELECT RAISE(ABORT, 'bank_entry_aside is append-only'); END;
CREATE TRIGGER bank_entry_aside_no_delete BEFORE DELETE ON bank_entry_aside BEGIN SELECT RAISE(ABORT, 'bank_entry_aside is append-only'); END;

CREATE TABLE bank_entry_taken_up (
    aside_id INTEGER PRIMARY KEY REFERENCES bank_entry_aside,
    made_by  TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at  TEXT    NOT NULL
) STRICT;
CREATE TRIGGER bank_entry_taken_up_no_update BEFORE UPDATE ON bank_entry_taken_up BEGIN SELECT RAISE(ABORT, 'bank_entry_taken_up is append-only'); END;
CREATE TRIGGER bank_entry_taken_up_no_delete BEFORE DELETE ON bank_entry_taken_up BEGIN SELECT RAISE(ABORT, 'bank_entry_taken_up is append-only'); END;

-- Of a return the payment is looked for among those of its amount.
CREATE INDEX bank_entry_amount ON bank_entry (own_account_id, amount);

-- What changes is sealed at the end of the transaction.
CREATE TRIGGER unassigned_receipt_unsealed_inserted AFTER INSERT ON unassigned_receipt BEGIN INSERT INTO unsealed SELECT 'unassigned_receipt', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'unassigned_receipt' AND key = k); END;
CREATE TRIGGER unassigned_receipt_unsealed_updated AFTER UPDATE ON unassigned_receipt BEGIN INSERT INTO unsealed SELECT 'unassigned_receipt', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'unassigned_receipt' AND key = k); END;
CREATE TRIGGER unassigned_receipt_unsealed_deleted AFTER DELETE ON unassigned_receipt BEGIN INSERT INTO unsealed SELECT 'unassigned_receipt', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'unassigned_receipt' AND key = k); END;
CREATE TRIGGER unassigned_receipt_assigned_unsealed_inserted AFTER INSERT ON unassigned_receipt_assigned BEGIN INSERT INTO unsealed SELECT 'unassigned_receipt_assigned', k FROM (SELECT CAST(NEW.receipt_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'unassigned_receipt_assigned' AND key = k); END;
CREATE TRIGGER unassigned_receipt_assigned_unsealed_updated AFTER UPDATE ON unassigned_receipt_assigned BEGIN INSERT INTO unsealed SELECT 'unassigned_receipt_assigned', k FROM (SELECT CAST(NEW.receipt_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'unassigned_receipt_assigned' AND key = k); END;
CREATE TRIGGER unassigned_receipt_assigned_unsealed_deleted AFTER DELETE ON unassigned_receipt_assigned BEGIN INSERT INTO unsealed SELECT 'unassigned_receipt_assigned', k FROM (SELECT CAST(OLD.receipt_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'unassigned_receipt_assigned' AND key = k); END;
CREATE TRIGGER bank_entry_aside_unsealed_inserted AFTER INSERT ON bank_entry_aside BEGIN INSERT INTO unsealed SELECT 'bank_entry_aside', k FROM (SELECT CAST(NEW.entry_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_aside' AND key = k); END;
CREATE TRIGGER bank_entry_aside_unsealed_updated AFTER UPDATE ON bank_entry_aside BEGIN INSERT INTO unsealed SELECT 'bank_entry_aside', k FROM (SELECT CAST(NEW.entry_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_aside' AND key = k); END;
CREATE TRIGGER bank_entry_aside_unsealed_deleted AFTER DELETE ON bank_entry_aside BEGIN INSERT INTO unsealed SELECT 'bank_entry_aside', k FROM (SELECT CAST(OLD.entry_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_aside' AND key = k); END;
CREATE TRIGGER bank_entry_taken_up_unsealed_inserted AFTER INSERT ON bank_entry_taken_up BEGIN INSERT INTO unsealed SELECT 'bank_entry_taken_up', k FROM (SELECT CAST(NEW.aside_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_taken_up' AND key = k); END;
CREATE TRIGGER bank_entry_taken_up_unsealed_updated AFTER UPDATE ON bank_entry_taken_up BEGIN INSERT INTO unsealed SELECT 'bank_entry_taken_up', k FROM (SELECT CAST(NEW.aside_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_taken_up' AND key = k); END;
CREATE TRIGGER bank_entry_taken_up_unsealed_deleted AFTER DELETE ON bank_entry_taken_up BEGIN INSERT INTO unsealed SELECT 'bank_entry_taken_up', k FROM (SELECT CAST(OLD.aside_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'bank_entry_taken_up' AND key = k); END;
