-- A mailed view may be of one account, group or what-if too.
CREATE TABLE mailed_view_new (
    id         INTEGER PRIMARY KEY,
    name       TEXT    NOT NULL CHECK (length(name) BETWEEN 1 AND 100),
    report     INTEGER NOT NULL CHECK (report BETWEEN 0 AND 8),
    query      TEXT    NOT NULL CHECK (length(query) <= 1000),
    format     TEXT    NOT NULL CHECK (format IN ('pdf', 'xlsx') AND length(format) <= 4),
    recipients TEXT    NOT NULL CHECK (length(recipients) <= 3000),
    rhythm     INTEGER NOT NULL CHECK (rhythm BETWEEN 0 AND 2),
    number     INTEGER NOT NULL CHECK (number BETWEEN 0 AND 20),
    last_on    TEXT    CHECK (length(last_on) = 10),
    made_by    TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at    TEXT    NOT NULL CHECK (length(made_at) <= 30)
) STRICT;
INSERT INTO mailed_view_new SELECT * FROM mailed_view;
DROP TABLE mailed_view;
ALTER TABLE mailed_view_new RENAME TO mailed_view;
CREATE TRIGGER mailed_view_unsealed_inserted AFTER INSERT ON mailed_view BEGIN INSERT INTO unsealed SELECT 'mailed_view', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'mailed_view' AND key = k); END;
CREATE TRIGGER mailed_view_unsealed_updated AFTER UPDATE ON mailed_view BEGIN INSERT INTO unsealed SELECT 'mailed_view', k FROM (SELECT CAST(NEW.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'mailed_view' AND key = k); END;
CREATE TRIGGER mailed_view_unsealed_deleted AFTER DELETE ON mailed_view BEGIN INSERT INTO unsealed SELECT 'mailed_view', k FROM (SELECT CAST(OLD.id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'mailed_view' AND key = k); END;
