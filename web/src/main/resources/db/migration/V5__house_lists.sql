-- What the house keeps lists of. What is removed stays known to the log.

ALTER TABLE tank ADD COLUMN removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1));
ALTER TABLE bottle ADD COLUMN removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1));

CREATE TABLE tool (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL UNIQUE COLLATE NOCASE,
    kind       TEXT NOT NULL CHECK (kind IN ('CYLINDER', 'PIPETTE', 'SYRINGE', 'SCALES')),
    capacity   REAL NOT NULL CHECK (capacity > 0),
    graduation REAL NOT NULL CHECK (graduation > 0),
    removed    INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

CREATE TABLE heater (
    id       INTEGER PRIMARY KEY,
    name     TEXT NOT NULL UNIQUE COLLATE NOCASE,
    offset_c REAL NOT NULL,
    removed  INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

-- How the house and its members read figures, and where links lead.

ALTER TABLE house ADD COLUMN units TEXT NOT NULL DEFAULT 'METRIC' CHECK (units IN ('METRIC', 'US'));
ALTER TABLE house ADD COLUMN address TEXT;
ALTER TABLE member ADD COLUMN units TEXT CHECK (units IN ('METRIC', 'US'));

-- Who is at a shared device: a PIN for those who want one, and the answer for the evening.

ALTER TABLE member ADD COLUMN pin_hash TEXT;

CREATE TABLE at_device (
    token_hash TEXT PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES member (id),
    member_id  INTEGER NOT NULL REFERENCES member (id),
    until      TEXT NOT NULL
);
