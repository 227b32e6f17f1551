-- People and programs that may call, each with a role and an authority.
CREATE TABLE user_account (
    id            INTEGER PRIMARY KEY,
    name          TEXT    NOT NULL UNIQUE COLLATE NOCASE CHECK (name <> ''),
    full_name     TEXT    NOT NULL UNIQUE COLLATE NOCASE CHECK (full_name <> ''),
    role          INTEGER NOT NULL CHECK (role BETWEEN 0 AND 3),
    authority     TEXT    NOT NULL CHECK (json_valid(authority)),
    active        INTEGER NOT NULL CHECK (active IN (0, 1)),
    password_hash TEXT    NOT NULL,
    version       INTEGER NOT NULL
) STRICT;

CREATE TABLE session (
    hash       TEXT    PRIMARY KEY,
    user_id    INTEGER NOT NULL REFERENCES user_account,
    started_at TEXT    NOT NULL,
    ends_at    TEXT    NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE api_key (
    id         INTEGER PRIMARY KEY,
    name       TEXT    NOT NULL CHECK (name <> ''),
    role       INTEGER NOT NULL CHECK (role BETWEEN 0 AND 2),
    hash       TEXT    NOT NULL UNIQUE,
    made_by    TEXT    NOT NULL,
    made_at    TEXT    NOT NULL,
    revoked_by TEXT,
    revoked_at TEXT
) STRICT;

-- The hash of the code that makes the first administrator; gone once it was used.
CREATE TABLE first_code (
    id   INTEGER PRIMARY KEY CHECK (id = 1),
    hash TEXT    NOT NULL
) STRICT;
