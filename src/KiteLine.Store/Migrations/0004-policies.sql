-- Calendars, tax codes and reference rates are versioned like the other policies.
CREATE TABLE policy_next (
    id         INTEGER PRIMARY KEY,
    kind       TEXT    NOT NULL CHECK (kind IN ('terms', 'late-charge', 'reminder-plan', 'calendar', 'tax-code', 'reference-rate')),
    code       TEXT    NOT NULL,
    version    INTEGER NOT NULL CHECK (version > 0),
    name       TEXT    NOT NULL,
    definition TEXT    NOT NULL CHECK (json_valid(definition)),
    is_current INTEGER NOT NULL CHECK (is_current IN (0, 1)),
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL,
    UNIQUE (kind, code, version)
) STRICT;
INSERT INTO policy_next SELECT * FROM policy;
DROP TABLE policy;
ALTER TABLE policy_next RENAME TO policy;

-- What terms say beside the shorthand stands together.
UPDATE policy SET definition = json_object(
    'text', definition ->> 'text',
    'conditions', json_object(
        'base', coalesce(definition ->> 'base', 'gross'),
        'graceDays', coalesce(definition ->> 'graceDays', 0),
        'businessDays', coalesce(definition ->> 'businessDays', 'keep')))
WHERE kind = 'terms';

-- A document keeps the calendar its dates were reckoned with, as it keeps its terms.
ALTER TABLE document ADD COLUMN calendar_id INTEGER REFERENCES policy;

-- The account number at the time of posting; empty for entries made before it was kept.
ALTER TABLE journal_line ADD COLUMN account TEXT NOT NULL DEFAULT '';
