-- Waste drums, photos of film, and limits of the house's own.

CREATE TABLE drum (
    id          INTEGER PRIMARY KEY,
    name        TEXT NOT NULL UNIQUE COLLATE NOCASE,
    kind        TEXT NOT NULL CHECK (kind IN ('DEVELOPERS', 'SILVER_BEARING', 'OTHERS')),
    capacity_ml REAL NOT NULL CHECK (capacity_ml > 0),
    removed     INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

ALTER TABLE discarded_fill ADD COLUMN drum_id INTEGER REFERENCES drum (id);

CREATE TABLE drum_collected (
    sequence  INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    drum_id   INTEGER NOT NULL REFERENCES drum (id),
    volume_ml REAL NOT NULL CHECK (volume_ml > 0)
);

-- The pictures themselves are files beside the database.

CREATE TABLE look_photo (
    sequence INTEGER PRIMARY KEY REFERENCES film_inspected (sequence),
    file     TEXT NOT NULL UNIQUE,
    width    INTEGER NOT NULL CHECK (width > 0),
    height   INTEGER NOT NULL CHECK (height > 0)
);

-- What the house allows of a bath beside its leaflet. The last decision holds; one without figures goes back to the print.

CREATE TABLE house_limit (
    id        INTEGER PRIMARY KEY,
    leaflet   TEXT NOT NULL,
    bath      TEXT NOT NULL,
    rolls     REAL CHECK (rolls > 0),
    days      REAL CHECK (days > 0),
    reason    TEXT NOT NULL,
    member_id INTEGER NOT NULL REFERENCES member (id),
    at        TEXT NOT NULL
);

CREATE TRIGGER drum_collected_no_update BEFORE UPDATE ON drum_collected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER drum_collected_no_delete BEFORE DELETE ON drum_collected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER look_photo_no_update BEFORE UPDATE ON look_photo BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER look_photo_no_delete BEFORE DELETE ON look_photo BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_limit_no_update BEFORE UPDATE ON house_limit BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_limit_no_delete BEFORE DELETE ON house_limit BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
