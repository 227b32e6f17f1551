-- A slip is corrected until the bank has credited it: a receipt comes off it, or onto it.
CREATE TABLE slip_change (
    id       INTEGER PRIMARY KEY,
    batch_id INTEGER NOT NULL REFERENCES banking_batch,
    posting  INTEGER NOT NULL REFERENCES entry,
    off      INTEGER NOT NULL CHECK (off IN (0, 1)), -- 1: it comes off; 0: it comes onto it
    reason   TEXT    NOT NULL CHECK (length(reason) <= 1000),
    made_by  TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at  TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE INDEX slip_change_batch ON slip_change (batch_id);
CREATE INDEX slip_change_posting ON slip_change (posting);
CREATE TRIGGER slip_change_no_update BEFORE UPDATE ON slip_change BEGIN SELECT RAISE(ABORT, 'slip_change is append-only'); END;
CREATE TRIGGER slip_change_no_delete BEFORE DELETE ON slip_change BEGIN SELECT RAISE(ABORT, 'slip_change is append-only'); END;

-- The receipts that stand on slips now. A projection, kept by the database.
CREATE TABLE slip_receipt (
    posting  INTEGER PRIMARY KEY REFERENCES entry,
    batch_id INTEGER NOT NULL REFERENCES banking_batch
) STRICT;
CREATE INDEX slip_receipt_batch ON slip_receipt (batch_id);
INSERT INTO slip_receipt (posting, batch_id) SELECT posting, batch_id FROM banking_batch_receipt;
DROP TRIGGER banking_batch_receipt_banked;
CREATE TRIGGER banking_batch_receipt_banked AFTER INSERT ON banking_batch_receipt BEGIN
    DELETE FROM to_bank WHERE posting = NEW.posting;
    INSERT INTO slip_receipt (posting, batch_id) VALUES (NEW.posting, NEW.batch_id);
END;
CREATE TRIGGER slip_change_off AFTER INSERT ON slip_change WHEN NEW.off = 1 BEGIN
    DELETE FROM slip_receipt WHERE posting = NEW.posting AND batch_id = NEW.batch_id;
    INSERT INTO to_bank (posting, method) SELECT posting, method FROM hand_receipt WHERE posting = NEW.posting;
END;
CREATE TRIGGER slip_change_on AFTER INSERT ON slip_change WHEN NEW.off = 0 BEGIN
    DELETE FROM to_bank WHERE posting = NEW.posting;
    INSERT INTO slip_receipt (posting, batch_id) VALUES (NEW.posting, NEW.batch_id);
END;
