-- Views that go out by e-mail by themselves. What day they are of is the day on which they go.
CREATE TABLE mailed_view (
    id         INTEGER PRIMARY KEY,
    name       TEXT    NOT NULL CHECK (length(name) BETWEEN 1 AND 100),
    report     INTEGER NOT NULL CHECK (report BETWEEN 0 AND 4),
    query      TEXT    NOT NULL CHECK (length(query) <= 1000),
    format     TEXT    NOT NULL CHECK (format IN ('pdf', 'xlsx') AND length(format) <= 4),
    recipients TEXT    NOT NULL CHECK (length(recipients) <= 3000),
    rhythm     INTEGER NOT NULL CHECK (rhythm BETWEEN 0 AND 2),
    number     INTEGER NOT NULL CHECK (number BETWEEN 0 AND 20),
    last_on    TEXT    CHECK (length(last_on) = 10),
    made_by    TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at    TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE TRIGGER mailed_view_unsealed_inserted AFTER INSERT ON mailed_view BEGIN INSERT INTO unsealed SELECT 'mailed_view', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'mailed_view' AND key = k); END;
CREATE TRIGGER mailed_view_unsealed_updated AFTER UPDATE ON mailed_view BEGIN INSERT INTO unsealed SELECT 'mailed_view', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'mailed_view' AND key = k); END;
CREATE TRIGGER mailed_view_unsealed_deleted AFTER DELETE ON mailed_view BEGIN INSERT INTO unsealed SELECT 'mailed_view', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'mailed_view' AND key = k); END;

-- A message may bring a view, and is then about no account.
DROP TRIGGER message_step_told;
CREATE TABLE message_new (
    id          INTEGER PRIMARY KEY,
    account_id  INTEGER REFERENCES account,
    purpose     INTEGER NOT NULL CHECK (purpose BETWEEN 0 AND 6),
    document_id INTEGER REFERENCES document,
    reminder_id INTEGER REFERENCES reminder,
    number      TEXT    NOT NULL CHECK (length(number) <= 200),
    delivery    INTEGER NOT NULL CHECK (delivery IN (0, 1)),
    recipients  TEXT    NOT NULL CHECK (length(recipients) <= 3000),
    subject     TEXT    NOT NULL CHECK (length(subject) <= 200),
    body        TEXT    NOT NULL CHECK (length(body) <= 20000),
    message_id  TEXT    NOT NULL UNIQUE CHECK (length(message_id) BETWEEN 1 AND 200),
    made_by     TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at     TEXT    NOT NULL CHECK (length(made_at) <= 30),
    state       INTEGER NOT NULL CHECK (state BETWEEN 0 AND 8),
    tries       INTEGER NOT NULL CHECK (tries >= 0),
    due_at      TEXT CHECK (length(due_at) <= 30),
    period_from TEXT CHECK (length(period_from) = 10), -- of a statement of account
    period_to   TEXT CHECK (length(period_to) = 10),
    view        TEXT CHECK (json_valid(view) AND length(view) <= 2000),
    CHECK ((document_id IS NOT NULL) + (reminder_id IS NOT NULL) + (period_from IS NOT NULL AND period_to IS NOT NULL)
        + (view IS NOT NULL) = 1),
    CHECK ((account_id IS NULL) = (view IS NOT NULL))
) STRICT;
INSERT INTO message_new SELECT id, account_id, purpose, document_id, reminder_id, number, delivery, recipients, subject, body,
    message_id, made_by, made_at, state, tries, due_at, period_from, period_to, NULL FROM message;
DROP TABLE message;
ALTER TABLE message_new RENAME TO message;
CREATE INDEX message_account ON message (account_id, state);
CREATE INDEX message_document ON message (document_id) WHERE document_id IS NOT NULL;
CREATE INDEX message_reminder ON message (reminder_id) WHERE reminder_id IS NOT NULL;
CREATE INDEX message_state ON message (state);
CREATE INDEX message_due ON message (due_at) WHERE due_at IS NOT NULL;
CREATE TRIGGER message_no_update BEFORE UPDATE OF id, account_id, purpose, document_id, reminder_id, period_from, period_to, view, number, delivery, recipients, subject, body, message_id, made_by, made_at ON message BEGIN SELECT RAISE(ABORT, 'message is append-only'); END;
CREATE TRIGGER message_no_delete BEFORE DELETE ON message BEGIN SELECT RAISE(ABORT, 'message is append-only'); END;
CREATE TRIGGER message_step_told AFTER INSERT ON message_step BEGIN
    UPDATE message SET state = NEW.state, tries = NEW.tries, due_at = NEW.due_at WHERE id = NEW.message_id;
END;
