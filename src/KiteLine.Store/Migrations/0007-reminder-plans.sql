-- Fees have a basis, interest a treatment of its own, texts a language.
UPDATE policy SET definition = json_object('levels', (
    SELECT json_group_array(json_patch(
        json_remove(l.value, '$.fee', '$.showLateCharge', '$.subject', '$.opening', '$.closing'),
        json_object(
            'fee', CASE WHEN coalesce(l.value ->> 'fee', 0) > 0 THEN json_object('basis', 'perLetter', 'amount', l.value ->> 'fee') END,
            'lateCharge', CASE WHEN l.value ->> 'showLateCharge' THEN 'show' ELSE 'none' END,
            'texts', json_array(json_object(
                'language', '', 'subject', coalesce(l.value ->> 'subject', ''),
                'opening', coalesce(l.value ->> 'opening', ''), 'closing', coalesce(l.value ->> 'closing', ''))))))
    FROM (SELECT value FROM json_each(policy.definition, '$.levels') ORDER BY key) l))
WHERE kind = 'reminder-plan';

-- How many reminders an item was in; like its level, a projection of the reminders that stand.
ALTER TABLE item ADD COLUMN reminders INTEGER NOT NULL DEFAULT 0;
UPDATE item SET reminders = (
    SELECT count(*) FROM reminder_item ri WHERE ri.item_id = item.id AND ri.moves
    AND ri.reminder_id NOT IN (SELECT reminder_id FROM reminder_cancelled))
WHERE reminder_level > 0;

-- How the letter goes out, in which language, and the late charge that was posted with it.
ALTER TABLE reminder ADD COLUMN delivery INTEGER NOT NULL DEFAULT 0;
ALTER TABLE reminder ADD COLUMN charge_entry_id INTEGER REFERENCES entry;
