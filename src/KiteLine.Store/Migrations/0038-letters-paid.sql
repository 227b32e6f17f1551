-- What a letter shows as late charge beside each item, and what payments raised that paid a letter in full.
ALTER TABLE reminder_item ADD COLUMN late_charge INTEGER NOT NULL DEFAULT 0; -- below zero where it corrects what was raised
CREATE TABLE letter_paid (
    id              INTEGER PRIMARY KEY,
    entry_id        INTEGER NOT NULL REFERENCES entry, -- of the payment
    raised_entry_id INTEGER NOT NULL REFERENCES entry, -- of the fee or the interest
    reminder_id     INTEGER NOT NULL REFERENCES reminder
) STRICT;
CREATE INDEX letter_paid_entry ON letter_paid (entry_id);
CREATE TRIGGER letter_paid_no_update BEFORE UPDATE ON letter_paid BEGIN SELECT RAISE(ABORT, 'letter_paid is append-only'); END;
CREATE TRIGGER letter_paid_no_delete BEFORE DELETE ON letter_paid BEGIN SELECT RAISE(ABORT, 'letter_paid is append-only'); END;
