-- Orders with what happened to them. Amounts are minor units with tax, in the currency of the account.
ALTER TABLE sales_order RENAME TO sales_order_before;
CREATE TABLE sales_order (
    id          INTEGER PRIMARY KEY,
    account_id  INTEGER NOT NULL REFERENCES account,
    number      TEXT    NOT NULL CHECK (number <> ''),
    date        TEXT    NOT NULL,
    reference   TEXT    NOT NULL DEFAULT '',
    source      TEXT    NOT NULL, -- typed, or the kind of file or program it came from
    request_key TEXT    UNIQUE,
    request_hash TEXT,
    made_by     TEXT    NOT NULL,
    made_at     TEXT    NOT NULL,
    UNIQUE (account_id, number)
) STRICT;

-- Each step says how the order stands after it.
CREATE TABLE order_step (
    order_id   INTEGER NOT NULL REFERENCES sales_order,
    seq        INTEGER NOT NULL,
    kind       INTEGER NOT NULL,
    on_date    TEXT    NOT NULL,
    total      INTEGER NOT NULL CHECK (total > 0),
    approved   INTEGER NOT NULL CHECK (approved BETWEEN 0 AND total),
    invoiced   INTEGER NOT NULL CHECK (invoiced >= 0),
    until_date TEXT,
    is_over    INTEGER NOT NULL CHECK (is_over IN (0, 1)),
    deliveries TEXT    NOT NULL CHECK (json_valid(deliveries)),
    deposit    INTEGER NOT NULL DEFAULT 0 CHECK (deposit >= 0),
    findings   TEXT    NOT NULL DEFAULT '[]' CHECK (json_valid(findings)),
    entry_id   INTEGER REFERENCES entry,
    reason     TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL,
    PRIMARY KEY (order_id, seq)
) STRICT, WITHOUT ROWID;
CREATE INDEX order_step_entry ON order_step (entry_id) WHERE entry_id IS NOT NULL;
CREATE TRIGGER order_step_no_update BEFORE UPDATE ON order_step BEGIN SELECT RAISE(ABORT, 'order_step is append-only'); END;
CREATE TRIGGER order_step_no_delete BEFORE DELETE ON order_step BEGIN SELECT RAISE(ABORT, 'order_step is append-only'); END;
CREATE TRIGGER sales_order_no_update BEFORE UPDATE ON sales_order BEGIN SELECT RAISE(ABORT, 'sales_order is append-only'); END;
CREATE TRIGGER sales_order_no_delete BEFORE DELETE ON sales_order BEGIN SELECT RAISE(ABORT, 'sales_order is append-only'); END;

-- The amount of an invoice that counts against the order it was made of.
ALTER TABLE document ADD COLUMN order_id INTEGER REFERENCES sales_order;

INSERT INTO sales_order (id, account_id, number, date, source, made_by, made_at)
SELECT id, account_id, number, date, 'brought in', 'set-up', date || 'T00:00:00.000Z' FROM sales_order_before WHERE not_invoiced > 0;
INSERT INTO order_step (order_id, seq, kind, on_date, total, approved, invoiced, is_over, deliveries, reason, made_by, made_at)
SELECT id, 1, 0, date, not_invoiced, not_invoiced, 0, 0, '[]', '', 'set-up', date || 'T00:00:00.000Z' FROM sales_order_before WHERE not_invoiced > 0;
DROP TABLE sales_order_before;
