-- A promise is withdrawn by itself, or since a later one that names it takes its place.
ALTER TABLE promise_withdrawn ADD COLUMN replaced_by INTEGER REFERENCES promise;

-- The level of an item is that of its latest reminder that stands, not the highest it ever had.
UPDATE item SET reminder_level = (
    SELECT ri.level FROM reminder_item ri JOIN reminder r ON r.id = ri.reminder_id
    WHERE ri.item_id = item.id AND ri.moves
        AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)
    ORDER BY r.date DESC, r.id DESC LIMIT 1)
WHERE reminders > 1;

-- A dispute that a payment made ends when that payment is reversed.
ALTER TABLE dispute ADD COLUMN entry_id INTEGER REFERENCES entry;
CREATE INDEX dispute_entry ON dispute (entry_id) WHERE entry_id IS NOT NULL;
