-- Opening documents share an entry, so each is taken back by an entry of its own.
CREATE TABLE opening_reversal (
    document_id INTEGER PRIMARY KEY REFERENCES document,
    entry_id    INTEGER NOT NULL UNIQUE REFERENCES entry
) STRICT;
CREATE TRIGGER opening_reversal_no_update BEFORE UPDATE ON opening_reversal BEGIN SELECT RAISE(ABORT, 'opening_reversal is append-only'); END;
CREATE TRIGGER opening_reversal_no_delete BEFORE DELETE ON opening_reversal BEGIN SELECT RAISE(ABORT, 'opening_reversal is append-only'); END;

-- A document that was reversed can be posted again, put right, under the same number: as its next revision.
CREATE TABLE document_next (
    id               INTEGER PRIMARY KEY,
    account_id       INTEGER NOT NULL REFERENCES account,
    entry_id         INTEGER NOT NULL REFERENCES entry,
    kind             INTEGER NOT NULL,
    number           TEXT    NOT NULL,
    revision         INTEGER NOT NULL DEFAULT 1 CHECK (revision > 0),
    date             TEXT    NOT NULL,
    net              INTEGER NOT NULL,
    tax              INTEGER NOT NULL,
    not_discountable INTEGER NOT NULL,
    terms_id         INTEGER REFERENCES policy,
    reference        TEXT    NOT NULL DEFAULT '',
    UNIQUE (account_id, number, revision)
) STRICT;
INSERT INTO document_next (id, account_id, entry_id, kind, number, date, net, tax, not_discountable, terms_id, reference)
SELECT id, account_id, entry_id, kind, number, date, net, tax, not_discountable, terms_id, reference FROM document;
DROP TABLE document;
ALTER TABLE document_next RENAME TO document;
CREATE TRIGGER document_no_update BEFORE UPDATE ON document BEGIN SELECT RAISE(ABORT, 'document is append-only'); END;
CREATE TRIGGER document_no_delete BEFORE DELETE ON document BEGIN SELECT RAISE(ABORT, 'document is append-only'); END;

-- Which documents were taken back, and by which entry.
CREATE VIEW reversed_document AS
SELECT d.id document_id, r.id reversed_by FROM document d JOIN entry r ON r.reverses = d.entry_id
UNION ALL
SELECT document_id, entry_id FROM opening_reversal;
