-- Entries of Today that somebody put off; each comes back on its date.
CREATE TABLE today_put_off (
    entry   TEXT PRIMARY KEY, -- what it is about, such as over-limit:PEL01
    until   TEXT NOT NULL,
    reason  TEXT NOT NULL,
    made_by TEXT NOT NULL,
    made_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;

-- Views of the board that were kept: the part of the address that says what is shown.
CREATE TABLE saved_view (
    id      INTEGER PRIMARY KEY,
    name    TEXT    NOT NULL COLLATE NOCASE CHECK (name <> ''),
    query   TEXT    NOT NULL,
    shared  INTEGER NOT NULL CHECK (shared IN (0, 1)),
    made_by TEXT    NOT NULL,
    made_at TEXT    NOT NULL,
    UNIQUE (name, made_by)
) STRICT;
