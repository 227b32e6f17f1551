-- A trigger makes the database keep a copy of every page that the statement changes, in case it must be undone; each
-- posting pays for that. As on documents, an index that has no row bounds the texts instead: to put one in, a text that is
-- no JSON would have to be made into it.
DROP TRIGGER entry_texts_inserted;
CREATE INDEX entry_texts_inserted ON entry (json('longer than it may be: ' || id))
WHERE length(text) > 1000 OR length(posted_by) > 200 OR length(request_key) > 200;

DROP TRIGGER audit_texts_inserted;
CREATE INDEX audit_texts_inserted ON audit (json('longer than it may be: ' || id))
WHERE length(who) > 200 OR length(subject) > 200 OR length(action) > 200 OR length(detail) > 2000000
    OR length(reason) > 500;
