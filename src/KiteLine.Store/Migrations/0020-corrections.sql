-- An allocation can be undone, and stand again when what undid it is reversed: it stands unless something that stands undid it.
CREATE TABLE allocation_undone_new (
    id            INTEGER PRIMARY KEY,
    allocation_id INTEGER NOT NULL REFERENCES allocation,
    entry_id      INTEGER NOT NULL REFERENCES entry,
    UNIQUE (allocation_id, entry_id)
) STRICT;
INSERT INTO allocation_undone_new (allocation_id, entry_id) SELECT allocation_id, entry_id FROM allocation_undone
    ORDER BY allocation_id;
DROP TABLE allocation_undone;
ALTER TABLE allocation_undone_new RENAME TO allocation_undone;
CREATE INDEX allocation_undone_entry ON allocation_undone (entry_id);
CREATE TRIGGER allocation_undone_no_update BEFORE UPDATE ON allocation_undone BEGIN SELECT RAISE(ABORT, 'allocation_undone is append-only'); END;
CREATE TRIGGER allocation_undone_no_delete BEFORE DELETE ON allocation_undone BEGIN SELECT RAISE(ABORT, 'allocation_undone is append-only'); END;
CREATE TRIGGER allocation_undone_unsealed_inserted AFTER INSERT ON allocation_undone BEGIN INSERT INTO unsealed SELECT 'allocation_undone', k FROM (SELECT CAST(NEW.allocation_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'allocation_undone' AND key = k); END;
CREATE TRIGGER allocation_undone_unsealed_updated AFTER UPDATE ON allocation_undone BEGIN INSERT INTO unsealed SELECT 'allocation_undone', k FROM (SELECT CAST(NEW.allocation_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'allocation_undone' AND key = k); END;
CREATE TRIGGER allocation_undone_unsealed_deleted AFTER DELETE ON allocation_undone BEGIN INSERT INTO unsealed SELECT 'allocation_undone', k FROM (SELECT CAST(OLD.allocation_id AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'allocation_undone' AND key = k); END;
