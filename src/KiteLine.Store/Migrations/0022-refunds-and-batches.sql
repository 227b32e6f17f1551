-- Money paid back: where it goes. The refund itself is a document with its posting.
CREATE TABLE refund (
    id           INTEGER PRIMARY KEY,
    entry_id     INTEGER NOT NULL UNIQUE REFERENCES entry,
    account_id   INTEGER NOT NULL REFERENCES account,
    number       TEXT    NOT NULL CHECK (length(number) <= 60),
    currency     TEXT    NOT NULL CHECK (length(currency) = 3),
    amount       INTEGER NOT NULL CHECK (amount > 0),
    bank_account TEXT    NOT NULL CHECK (length(bank_account) BETWEEN 1 AND 40),
    holder       TEXT    NOT NULL CHECK (length(holder) BETWEEN 1 AND 70),
    reference    TEXT    NOT NULL CHECK (length(reference) <= 140)
) STRICT;
CREATE INDEX refund_account ON refund (account_id);
CREATE TRIGGER refund_no_update BEFORE UPDATE ON refund BEGIN SELECT RAISE(ABORT, 'refund is append-only'); END;
CREATE TRIGGER refund_no_delete BEFORE DELETE ON refund BEGIN SELECT RAISE(ABORT, 'refund is append-only'); END;

-- What the bank is asked to pay together; each refund stands in one file at most, so that none is paid twice.
CREATE TABLE payment_file (
    id             INTEGER PRIMARY KEY,
    own_account_id INTEGER NOT NULL REFERENCES own_account,
    message_id     TEXT    NOT NULL UNIQUE CHECK (length(message_id) <= 35),
    execute_on     TEXT    NOT NULL,
    made_by        TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at        TEXT    NOT NULL
) STRICT;
CREATE TRIGGER payment_file_no_update BEFORE UPDATE ON payment_file BEGIN SELECT RAISE(ABORT, 'payment_file is append-only'); END;
CREATE TRIGGER payment_file_no_delete BEFORE DELETE ON payment_file BEGIN SELECT RAISE(ABORT, 'payment_file is append-only'); END;
CREATE TABLE payment_file_refund (
    id        INTEGER PRIMARY KEY,
    file_id   INTEGER NOT NULL REFERENCES payment_file,
    refund_id INTEGER NOT NULL UNIQUE REFERENCES refund
) STRICT;
CREATE INDEX payment_file_refund_file ON payment_file_refund (file_id);
CREATE TRIGGER payment_file_refund_no_update BEFORE UPDATE ON payment_file_refund BEGIN SELECT RAISE(ABORT, 'payment_file_refund is append-only'); END;
CREATE TRIGGER payment_file_refund_no_delete BEFORE DELETE ON payment_file_refund BEGIN SELECT RAISE(ABORT, 'payment_file_refund is append-only'); END;

-- Money taken by hand that is banked together, on one slip.
CREATE TABLE banking_batch (
    id             INTEGER PRIMARY KEY,
    number         TEXT    NOT NULL CHECK (length(number) <= 60),
    own_account_id INTEGER NOT NULL REFERENCES own_account,
    method         TEXT    NOT NULL CHECK (length(method) <= 20),
    banked_on      TEXT    NOT NULL,
    made_by        TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at        TEXT    NOT NULL
) STRICT;
CREATE TRIGGER banking_batch_no_update BEFORE UPDATE ON banking_batch BEGIN SELECT RAISE(ABORT, 'banking_batch is append-only'); END;
CREATE TRIGGER banking_batch_no_delete BEFORE DELETE ON banking_batch BEGIN SELECT RAISE(ABORT, 'banking_batch is append-only'); END;
-- Receipts that were taken by hand, with the method, from here on; what was taken before was banked without slips.
CREATE TABLE hand_receipt (
    id      INTEGER PRIMARY KEY,
    posting INTEGER NOT NULL UNIQUE REFERENCES entry,
    method  TEXT    NOT NULL CHECK (length(method) <= 20)
) STRICT;
CREATE TRIGGER hand_receipt_no_update BEFORE UPDATE ON hand_receipt BEGIN SELECT RAISE(ABORT, 'hand_receipt is append-only'); END;
CREATE TRIGGER hand_receipt_no_delete BEFORE DELETE ON hand_receipt BEGIN SELECT RAISE(ABORT, 'hand_receipt is append-only'); END;
CREATE TABLE banking_batch_receipt (
    id       INTEGER PRIMARY KEY,
    batch_id INTEGER NOT NULL REFERENCES banking_batch,
    posting  INTEGER NOT NULL UNIQUE REFERENCES entry
) STRICT;
CREATE INDEX banking_batch_receipt_batch ON banking_batch_receipt (batch_id);
CREATE TRIGGER banking_batch_receipt_no_update BEFORE UPDATE ON banking_batch_receipt BEGIN SELECT RAISE(ABORT, 'banking_batch_receipt is append-only'); END;
CREATE TRIGGER banking_batch_receipt_no_delete BEFORE DELETE ON banking_batch_receipt BEGIN SELECT RAISE(ABORT, 'banking_batch_receipt is append-only'); END;
-- Those that stand on no slip: by far the fewest. A projection, kept by the database.
CREATE TABLE to_bank (
    posting INTEGER PRIMARY KEY REFERENCES entry,
    method  TEXT    NOT NULL CHECK (length(method) <= 20)
) STRICT;
CREATE INDEX to_bank_method ON to_bank (method);
CREATE TRIGGER hand_receipt_to_bank AFTER INSERT ON hand_receipt BEGIN
    INSERT INTO to_bank (posting, method) VALUES (NEW.posting, NEW.method);
END;
CREATE TRIGGER banking_batch_receipt_banked AFTER INSERT ON banking_batch_receipt BEGIN
    DELETE FROM to_bank WHERE posting = NEW.posting;
END;

-- What the bank's own entry settled: a refund that it paid, or a slip that it credited. Where the posting is reversed, it
-- is in transit again.
CREATE TABLE cleared (
    id        INTEGER PRIMARY KEY,
    posting   INTEGER NOT NULL UNIQUE REFERENCES entry,
    refund_id INTEGER REFERENCES refund,
    batch_id  INTEGER REFERENCES banking_batch,
    CHECK ((refund_id IS NULL) <> (batch_id IS NULL))
) STRICT;
CREATE INDEX cleared_refund ON cleared (refund_id) WHERE refund_id IS NOT NULL;
CREATE INDEX cleared_batch ON cleared (batch_id) WHERE batch_id IS NOT NULL;
CREATE TRIGGER cleared_no_update BEFORE UPDATE ON cleared BEGIN SELECT RAISE(ABORT, 'cleared is append-only'); END;
CREATE TRIGGER cleared_no_delete BEFORE DELETE ON cleared BEGIN SELECT RAISE(ABORT, 'cleared is append-only'); END;
