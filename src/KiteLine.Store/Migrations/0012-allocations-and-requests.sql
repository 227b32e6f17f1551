-- One link between a credit and a debit item, with cash, discount and write-off apart; the movements of both follow from it.
CREATE TABLE allocation (
    id             INTEGER PRIMARY KEY,
    entry_id       INTEGER NOT NULL REFERENCES entry,
    credit_item_id INTEGER NOT NULL REFERENCES item,
    debit_item_id  INTEGER NOT NULL REFERENCES item,
    kind           INTEGER NOT NULL CHECK (kind IN (1, 4)), -- cash, set-off
    value_date     TEXT    NOT NULL,
    cash           INTEGER NOT NULL CHECK (cash >= 0),
    discount       INTEGER NOT NULL CHECK (discount >= 0),
    write_off      INTEGER NOT NULL CHECK (write_off >= 0),
    CHECK (cash + discount + write_off > 0),
    CHECK (credit_item_id <> debit_item_id)
) STRICT;
-- Until now allocations stood only in the movements that receipts made.
INSERT INTO allocation (entry_id, credit_item_id, debit_item_id, kind, value_date, cash, discount, write_off)
SELECT m.entry_id, r.id, m.item_id, 1, max(m.value_date),
       -sum(CASE m.kind WHEN 1 THEN m.amount ELSE 0 END), -sum(CASE m.kind WHEN 2 THEN m.amount ELSE 0 END), -sum(CASE m.kind WHEN 3 THEN m.amount ELSE 0 END)
FROM movement m JOIN entry e ON e.id = m.entry_id AND e.kind = 3
JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id JOIN item r ON r.account_id = d.account_id AND r.document_id = d.id
WHERE m.item_id <> r.id
GROUP BY m.entry_id, m.item_id, r.id;
CREATE INDEX allocation_entry ON allocation (entry_id);
CREATE INDEX allocation_credit ON allocation (credit_item_id);
CREATE INDEX allocation_debit ON allocation (debit_item_id);
CREATE TRIGGER allocation_no_update BEFORE UPDATE ON allocation BEGIN SELECT RAISE(ABORT, 'allocation is append-only'); END;
CREATE TRIGGER allocation_no_delete BEFORE DELETE ON allocation BEGIN SELECT RAISE(ABORT, 'allocation is append-only'); END;

CREATE TABLE allocation_undone (
    allocation_id INTEGER PRIMARY KEY REFERENCES allocation,
    entry_id      INTEGER NOT NULL REFERENCES entry
) STRICT;
INSERT INTO allocation_undone SELECT a.id, r.id FROM allocation a JOIN entry r ON r.reverses = a.entry_id;
CREATE TRIGGER allocation_undone_no_update BEFORE UPDATE ON allocation_undone BEGIN SELECT RAISE(ABORT, 'allocation_undone is append-only'); END;
CREATE TRIGGER allocation_undone_no_delete BEFORE DELETE ON allocation_undone BEGIN SELECT RAISE(ABORT, 'allocation_undone is append-only'); END;

-- What a charge was raised by, and what of it corrects earlier ones. A charge of before stands as it was raised: its
-- policy is the version that its account's was then.
ALTER TABLE charge_line ADD COLUMN policy_id INTEGER REFERENCES policy;
ALTER TABLE charge_line ADD COLUMN correction INTEGER NOT NULL DEFAULT 0;
ALTER TABLE charge_line ADD COLUMN as_raised INTEGER NOT NULL DEFAULT 0 CHECK (as_raised IN (0, 1));
DROP TRIGGER charge_line_no_update;
UPDATE charge_line SET as_raised = 1, policy_id = (
    SELECT p.id FROM entry e JOIN account a ON a.id = e.account_id
    JOIN policy p ON p.kind = 'late-charge' AND p.code = a.late_charge_policy AND p.made_at <= e.posted_at
    WHERE e.id = charge_line.entry_id ORDER BY p.version DESC LIMIT 1);
CREATE TRIGGER charge_line_no_update BEFORE UPDATE ON charge_line BEGIN SELECT RAISE(ABORT, 'charge_line is append-only'); END;

-- Shown fees of earlier letters that a letter asks for again, and whether its own stands in their place.
ALTER TABLE reminder ADD COLUMN earlier_fees INTEGER NOT NULL DEFAULT 0 CHECK (earlier_fees >= 0);
ALTER TABLE reminder ADD COLUMN replaces INTEGER NOT NULL DEFAULT 1 CHECK (replaces IN (0, 1));

-- Requests that were carried out, by who sent them and the key they bore, with the whole answer that was given.
CREATE TABLE request (
    caller    TEXT    NOT NULL, -- empty for those of before, which anybody may have sent
    key       TEXT    NOT NULL CHECK (length(key) BETWEEN 1 AND 200),
    hash      TEXT    NOT NULL,
    status    INTEGER NOT NULL,
    type      TEXT    NOT NULL,
    answer    BLOB, -- null where it cannot be told again
    made_at   TEXT    NOT NULL,
    PRIMARY KEY (caller, key)
) STRICT, WITHOUT ROWID;
CREATE INDEX request_made_at ON request (made_at);
INSERT OR IGNORE INTO request (caller, key, hash, status, type, made_at)
SELECT '', request_key, coalesce(request_hash, ''), 200, '', posted_at FROM entry WHERE request_key IS NOT NULL AND length(request_key) BETWEEN 1 AND 200;
INSERT OR IGNORE INTO request (caller, key, hash, status, type, made_at)
SELECT '', request_key, coalesce(request_hash, ''), 200, '', made_at FROM sales_order WHERE request_key IS NOT NULL AND length(request_key) BETWEEN 1 AND 200;
