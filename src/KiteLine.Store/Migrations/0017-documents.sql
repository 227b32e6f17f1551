-- What invoices and credit notes are made up of. Amounts are minor units in the currency of the account, on a credit
-- note stated positive; quantities, prices and percentages are decimals as texts. Documents of totals alone have none.
CREATE TABLE document_line (
    document_id  INTEGER NOT NULL REFERENCES document,
    line         INTEGER NOT NULL CHECK (line > 0),
    text         TEXT    NOT NULL CHECK (length(text) <= 500),
    quantity     TEXT    NOT NULL CHECK (length(quantity) <= 40),
    unit_price   TEXT    NOT NULL CHECK (length(unit_price) <= 40),
    net          INTEGER NOT NULL,
    tax_code     TEXT    NOT NULL CHECK (length(tax_code) <= 200),
    discountable INTEGER NOT NULL CHECK (discountable IN (0, 1)),
    freight      INTEGER NOT NULL CHECK (freight IN (0, 1)),
    PRIMARY KEY (document_id, line)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER document_line_no_update BEFORE UPDATE ON document_line BEGIN SELECT RAISE(ABORT, 'document_line is append-only'); END;
CREATE TRIGGER document_line_no_delete BEFORE DELETE ON document_line BEGIN SELECT RAISE(ABORT, 'document_line is append-only'); END;

CREATE TABLE document_tax (
    document_id INTEGER NOT NULL REFERENCES document,
    part        INTEGER NOT NULL CHECK (part > 0),
    code        TEXT    NOT NULL CHECK (length(code) <= 200),
    authority   TEXT    NOT NULL CHECK (length(authority) <= 200),
    percent     TEXT    NOT NULL CHECK (length(percent) <= 40),
    taxed       INTEGER NOT NULL,
    tax         INTEGER NOT NULL,
    PRIMARY KEY (document_id, part)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER document_tax_no_update BEFORE UPDATE ON document_tax BEGIN SELECT RAISE(ABORT, 'document_tax is append-only'); END;
CREATE TRIGGER document_tax_no_delete BEFORE DELETE ON document_tax BEGIN SELECT RAISE(ABORT, 'document_tax is append-only'); END;

-- Terms that hold for one document alone, such as a one-off discount; document.terms_id says what they were made of.
CREATE TABLE document_terms (
    document_id INTEGER PRIMARY KEY REFERENCES document,
    definition  TEXT    NOT NULL CHECK (json_valid(definition) AND length(definition) <= 20000)
) STRICT;
CREATE TRIGGER document_terms_no_update BEFORE UPDATE ON document_terms BEGIN SELECT RAISE(ABORT, 'document_terms is append-only'); END;
CREATE TRIGGER document_terms_no_delete BEFORE DELETE ON document_terms BEGIN SELECT RAISE(ABORT, 'document_terms is append-only'); END;

-- The invoice that a credit note names.
CREATE TABLE credited_invoice (
    document_id INTEGER PRIMARY KEY REFERENCES document,
    invoice_id  INTEGER NOT NULL REFERENCES document,
    account_id  INTEGER NOT NULL REFERENCES account
) STRICT;
CREATE INDEX credited_invoice_account ON credited_invoice (account_id);
CREATE TRIGGER credited_invoice_no_update BEFORE UPDATE ON credited_invoice BEGIN SELECT RAISE(ABORT, 'credited_invoice is append-only'); END;
CREATE TRIGGER credited_invoice_no_delete BEFORE DELETE ON credited_invoice BEGIN SELECT RAISE(ABORT, 'credited_invoice is append-only'); END;

-- Terms that an order carries, which its invoice takes.
CREATE TABLE order_terms (
    order_id INTEGER PRIMARY KEY REFERENCES sales_order,
    terms    TEXT    NOT NULL CHECK (length(terms) BETWEEN 1 AND 1000)
) STRICT;
CREATE TRIGGER order_terms_no_update BEFORE UPDATE ON order_terms BEGIN SELECT RAISE(ABORT, 'order_terms is append-only'); END;
CREATE TRIGGER order_terms_no_delete BEFORE DELETE ON order_terms BEGIN SELECT RAISE(ABORT, 'order_terms is append-only'); END;

-- What changes is sealed at the end of the transaction.
CREATE TRIGGER document_line_unsealed_inserted AFTER INSERT ON document_line BEGIN INSERT INTO unsealed SELECT 'document_line', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_line' AND key = k); END;
CREATE TRIGGER document_line_unsealed_updated AFTER UPDATE ON document_line BEGIN INSERT INTO unsealed SELECT 'document_line', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_line' AND key = k); END;
CREATE TRIGGER document_line_unsealed_deleted AFTER DELETE ON document_line BEGIN INSERT INTO unsealed SELECT 'document_line', k FROM (SELECT CAST(OLD.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_line' AND key = k); END;
CREATE TRIGGER document_tax_unsealed_inserted AFTER INSERT ON document_tax BEGIN INSERT INTO unsealed SELECT 'document_tax', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_tax' AND key = k); END;
CREATE TRIGGER document_tax_unsealed_updated AFTER UPDATE ON document_tax BEGIN INSERT INTO unsealed SELECT 'document_tax', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_tax' AND key = k); END;
CREATE TRIGGER document_tax_unsealed_deleted AFTER DELETE ON document_tax BEGIN INSERT INTO unsealed SELECT 'document_tax', k FROM (SELECT CAST(OLD.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_tax' AND key = k); END;
CREATE TRIGGER document_terms_unsealed_inserted AFTER INSERT ON document_terms BEGIN INSERT INTO unsealed SELECT 'document_terms', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_terms' AND key = k); END;
CREATE TRIGGER document_terms_unsealed_updated AFTER UPDATE ON document_terms BEGIN INSERT INTO unsealed SELECT 'document_terms', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_terms' AND key = k); END;
CREATE TRIGGER document_terms_unsealed_deleted AFTER DELETE ON document_terms BEGIN INSERT INTO unsealed SELECT 'document_terms', k FROM (SELECT CAST(OLD.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'document_terms' AND key = k); END;
CREATE TRIGGER credited_invoice_unsealed_inserted AFTER INSERT ON credited_invoice BEGIN INSERT INTO unsealed SELECT 'credited_invoice', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'credited_invoice' AND key = k); END;
CREATE TRIGGER credited_invoice_unsealed_updated AFTER UPDATE ON credited_invoice BEGIN INSERT INTO unsealed SELECT 'credited_invoice', k FROM (SELECT CAST(NEW.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'credited_invoice' AND key = k); END;
CREATE TRIGGER credited_invoice_unsealed_deleted AFTER DELETE ON credited_invoice BEGIN INSERT INTO unsealed SELECT 'credited_invoice', k FROM (SELECT CAST(OLD.document_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'credited_invoice' AND key = k); END;
CREATE TRIGGER order_terms_unsealed_inserted AFTER INSERT ON order_terms BEGIN INSERT INTO unsealed SELECT 'order_terms', k FROM (SELECT CAST(NEW.order_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'order_terms' AND key = k); END;
CREATE TRIGGER order_terms_unsealed_updated AFTER UPDATE ON order_terms BEGIN INSERT INTO unsealed SELECT 'order_terms', k FROM (SELECT CAST(NEW.order_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'order_terms' AND key = k); END;
CREATE TRIGGER order_terms_unsealed_deleted AFTER DELETE ON order_terms BEGIN INSERT INTO unsealed SELECT 'order_terms', k FROM (SELECT CAST(OLD.order_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'order_terms' AND key = k); END;
