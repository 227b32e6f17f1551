-- Who asked, who keeps a view and who sent a request is known by what never changes, not by the name in the books.
-- A user is 'user' with its identifier, a key 'key' with its own, the program 'program' with a word.
ALTER TABLE limit_request ADD COLUMN asked_by_identity TEXT NOT NULL DEFAULT '' CHECK (length(asked_by_identity) <= 200);
DROP TRIGGER limit_request_no_update;
UPDATE limit_request SET asked_by_identity = coalesce((SELECT 'user ' || id FROM user_account WHERE full_name = asked_by), '');
CREATE TRIGGER limit_request_no_update BEFORE UPDATE ON limit_request BEGIN SELECT RAISE(ABORT, 'limit_request is append-only'); END;

CREATE TABLE kept_view (
    id      INTEGER PRIMARY KEY,
    name    TEXT    NOT NULL COLLATE NOCASE CHECK (length(name) BETWEEN 1 AND 60),
    query   TEXT    NOT NULL CHECK (length(query) <= 1000),
    shared  INTEGER NOT NULL CHECK (shared IN (0, 1)),
    owner   TEXT    NOT NULL CHECK (length(owner) BETWEEN 1 AND 200),
    made_by TEXT    NOT NULL CHECK (length(made_by) <= 200),
    made_at TEXT    NOT NULL,
    UNIQUE (name, owner)
) STRICT;
INSERT OR IGNORE INTO kept_view
SELECT id, substr(name, 1, 60), query, shared,
       coalesce((SELECT 'user ' || u.id FROM user_account u WHERE u.full_name = made_by), 'name ' || made_by), made_by, made_at
FROM saved_view WHERE length(query) <= 1000;
DROP TABLE saved_view;
ALTER TABLE kept_view RENAME TO saved_view;

UPDATE OR IGNORE request SET caller = coalesce(
    (SELECT 'user ' || id FROM user_account WHERE full_name = caller),
    (SELECT 'key ' || max(id) FROM api_key WHERE 'key ' || name = caller),
    caller)
WHERE caller <> '';

-- Books in which business has been posted are no longer being set up.
UPDATE company SET settings = json_set(settings, '$.settingUpEndedOn',
    (SELECT min(posting_date) FROM entry WHERE account_id IS NOT NULL))
WHERE EXISTS (SELECT 1 FROM entry WHERE account_id IS NOT NULL);
