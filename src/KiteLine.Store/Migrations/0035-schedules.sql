-- How far each schedule of runs and mailed views was followed, so that a day that was missed is caught up.
CREATE TABLE schedule (
    name         TEXT PRIMARY KEY CHECK (length(name) BETWEEN 1 AND 100),
    title        TEXT NOT NULL CHECK (length(title) <= 200),
    handled      TEXT NOT NULL CHECK (length(handled) = 10), -- the last day that was looked after
    missed_from  TEXT CHECK (length(missed_from) = 10),      -- the first day that was missed when it last caught up
    caught_up_on TEXT CHECK (length(caught_up_on) = 10),
    trouble      TEXT NOT NULL DEFAULT '' CHECK (length(trouble) <= 1000) -- why it waits
) STRICT;
CREATE TRIGGER schedule_unsealed_inserted AFTER INSERT ON schedule BEGIN INSERT INTO unsealed SELECT 'schedule', k FROM (SELECT CAST(NEW.name AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'schedule' AND key = k); END;
CREATE TRIGGER schedule_unsealed_updated AFTER UPDATE ON schedule BEGIN INSERT INTO unsealed SELECT 'schedule', k FROM (SELECT CAST(NEW.name AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'schedule' AND key = k); END;
CREATE TRIGGER schedule_unsealed_deleted AFTER DELETE ON schedule BEGIN INSERT INTO unsealed SELECT 'schedule', k FROM (SELECT CAST(OLD.name AS TEXT) k) WHERE NOT EXISTS
    (SELECT 1 FROM unsealed WHERE of = 'schedule' AND key = k); END;
