-- Receipts, or parts of them, that were taken off an account to be assigned to another one: the posting that took it off,
-- and the receipt's document. The money stands as an unassigned receipt of that posting.
CREATE TABLE receipt_move (
    id          INTEGER PRIMARY KEY,
    posting     INTEGER NOT NULL UNIQUE REFERENCES entry,
    document_id INTEGER NOT NULL REFERENCES document
) STRICT;
CREATE INDEX receipt_move_document ON receipt_move (document_id);
CREATE TRIGGER receipt_move_no_update BEFORE UPDATE ON receipt_move BEGIN SELECT RAISE(ABORT, 'receipt_move is append-only'); END;
CREATE TRIGGER receipt_move_no_delete BEFORE DELETE ON receipt_move BEGIN SELECT RAISE(ABORT, 'receipt_move is append-only'); END;
