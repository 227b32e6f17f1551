-- Messages to customers. What a message says stays; how far it has come is told by its steps, of which the last three columns
-- hold what the last one says.
CREATE TABLE message (
    id          INTEGER PRIMARY KEY,
    account_id  INTEGER NOT NULL REFERENCES account,
    purpose     INTEGER NOT NULL CHECK (purpose BETWEEN 0 AND 5),
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
    CHECK ((document_id IS NOT NULL) + (reminder_id IS NOT NULL) + (period_from IS NOT NULL AND period_to IS NOT NULL) = 1)
) STRICT;
CREATE INDEX message_account ON message (account_id, state);
CREATE INDEX message_document ON message (document_id) WHERE document_id IS NOT NULL;
CREATE INDEX message_reminder ON message (reminder_id) WHERE reminder_id IS NOT NULL;
CREATE INDEX message_state ON message (state);
CREATE INDEX message_due ON message (due_at) WHERE due_at IS NOT NULL;

CREATE TABLE message_step (
    id         INTEGER PRIMARY KEY,
    message_id INTEGER NOT NULL REFERENCES message,
    state      INTEGER NOT NULL CHECK (state BETWEEN 0 AND 8),
    tries      INTEGER NOT NULL CHECK (tries >= 0),
    due_at     TEXT CHECK (length(due_at) <= 30), -- when it is tried next
    detail     TEXT    NOT NULL CHECK (length(detail) <= 1000),
    made_by    TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at    TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
CREATE INDEX message_step_message ON message_step (message_id);

-- The files that a message brought, as they were sent.
CREATE TABLE message_file (
    id         INTEGER PRIMARY KEY,
    message_id INTEGER NOT NULL REFERENCES message,
    name       TEXT    NOT NULL CHECK (length(name) BETWEEN 1 AND 250),
    media_type TEXT    NOT NULL CHECK (length(media_type) <= 100),
    content    BLOB    NOT NULL
) STRICT;
CREATE INDEX message_file_message ON message_file (message_id);

CREATE TRIGGER message_no_update BEFORE UPDATE OF id, account_id, purpose, document_id, reminder_id, period_from, period_to, number, delivery, recipients, subject, body, message_id, made_by, made_at ON message BEGIN SELECT RAISE(ABORT, 'message is append-only'); END;
CREATE TRIGGER message_no_delete BEFORE DELETE ON message BEGIN SELECT RAISE(ABORT, 'message is append-only'); END;
CREATE TRIGGER message_step_no_update BEFORE UPDATE ON message_step BEGIN SELECT RAISE(ABORT, 'message_step is append-only'); END;
CREATE TRIGGER message_step_no_delete BEFORE DELETE ON message_step BEGIN SELECT RAISE(ABORT, 'message_step is append-only'); END;
CREATE TRIGGER message_file_no_update BEFORE UPDATE ON message_file BEGIN SELECT RAISE(ABORT, 'message_file is append-only'); END;
CREATE TRIGGER message_file_no_delete BEFORE DELETE ON message_file BEGIN SELECT RAISE(ABORT, 'message_file is append-only'); END;
CREATE TRIGGER message_step_told AFTER INSERT ON message_step BEGIN
    UPDATE message SET state = NEW.state, tries = NEW.tries, due_at = NEW.due_at WHERE id = NEW.message_id;
END;
