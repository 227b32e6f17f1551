-- The past under other terms, charges, reminders, limits or check rules: what is asked, and what it came to. The policies are
-- named by their versions, which never change. A result can be worked out again.
CREATE TABLE what_if (
    id          INTEGER PRIMARY KEY,
    name        TEXT    NOT NULL CHECK (length(name) BETWEEN 1 AND 100),
    definition  TEXT    NOT NULL CHECK (json_valid(definition) AND length(definition) <= 20000),
    state       INTEGER NOT NULL CHECK (state BETWEEN 0 AND 3),
    result      TEXT    CHECK (json_valid(result) AND length(result) <= 1000000),
    made_by     TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at     TEXT    NOT NULL CHECK (length(made_at) <= 30),
    finished_at TEXT    CHECK (length(finished_at) <= 30)
) STRICT;
CREATE TRIGGER what_if_unsealed_inserted AFTER INSERT ON what_if BEGIN INSERT INTO unsealed SELECT 'what_if', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'what_if' AND key = k); END;
CREATE TRIGGER what_if_unsealed_updated AFTER UPDATE ON what_if BEGIN INSERT INTO unsealed SELECT 'what_if', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'what_if' AND key = k); END;
CREATE TRIGGER what_if_unsealed_deleted AFTER DELETE ON what_if BEGIN INSERT INTO unsealed SELECT 'what_if', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'what_if' AND key = k); END;
