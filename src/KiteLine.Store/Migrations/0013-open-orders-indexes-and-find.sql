-- Orders that are not over: by far the fewest of all there ever were. A projection of the steps, kept by the database.
CREATE TABLE open_order (
    order_id INTEGER PRIMARY KEY REFERENCES sales_order
) STRICT;
INSERT INTO open_order (order_id)
SELECT o.id FROM sales_order o
WHERE NOT (SELECT s.is_over FROM order_step s WHERE s.order_id = o.id ORDER BY s.seq DESC LIMIT 1);
CREATE TRIGGER order_step_opens AFTER INSERT ON order_step WHEN NOT new.is_over BEGIN
    INSERT OR IGNORE INTO open_order (order_id) VALUES (new.order_id);
END;
CREATE TRIGGER order_step_ends AFTER INSERT ON order_step WHEN new.is_over BEGIN
    DELETE FROM open_order WHERE order_id = new.order_id;
END;

-- What screens and postings ask for, and had to read from end to end.
CREATE INDEX limit_request_account ON limit_request (account_id) WHERE account_id IS NOT NULL;
CREATE INDEX limit_request_group ON limit_request (group_id) WHERE group_id IS NOT NULL;
CREATE INDEX limit_request_expires ON limit_request (expires_on);
CREATE INDEX document_order ON document (order_id) WHERE order_id IS NOT NULL;
CREATE INDEX document_order_entry ON document (entry_id) WHERE order_id IS NOT NULL;
CREATE INDEX document_clears ON document (account_id) WHERE clears_on IS NOT NULL;
CREATE INDEX entry_kind ON entry (kind) WHERE account_id IS NOT NULL;
CREATE INDEX account_name ON account (name COLLATE NOCASE);
CREATE INDEX account_terms ON account (terms);
CREATE INDEX account_late_charge_policy ON account (late_charge_policy) WHERE late_charge_policy IS NOT NULL;
CREATE INDEX account_reminder_plan ON account (reminder_plan) WHERE reminder_plan IS NOT NULL;
CREATE INDEX account_tax_code ON account (tax_code) WHERE tax_code IS NOT NULL;

-- Finding by any part of any detail. The texts are not kept a second time, only the places of their trigrams; what is
-- found is compared with the record itself. Accounts that were added or changed wait in a queue for their turn,
-- documents above the last one that had its turn.
CREATE VIRTUAL TABLE found_account USING fts5 (
    details, tokenize = 'trigram', content = '', contentless_delete = 1, detail = 'none'
);
CREATE VIRTUAL TABLE found_document USING fts5 (
    details, tokenize = 'trigram', content = '', detail = 'none', columnsize = 0
);
CREATE TABLE find_queue (
    account_id INTEGER PRIMARY KEY REFERENCES account
) STRICT;
CREATE TABLE find_progress (
    id          INTEGER PRIMARY KEY CHECK (id = 1),
    document_id INTEGER NOT NULL
) STRICT;
INSERT INTO find_progress (id, document_id) VALUES (1, 0);
INSERT INTO find_queue (account_id) SELECT id FROM account;
CREATE TRIGGER account_waits_new AFTER INSERT ON account BEGIN
    INSERT OR IGNORE INTO find_queue (account_id) VALUES (new.id);
END;
CREATE TRIGGER account_waits_changed AFTER UPDATE ON account BEGIN
    INSERT OR IGNORE INTO find_queue (account_id) VALUES (new.id);
END;
