-- What becomes of the parts of a kit, and how a mix comes along at the bench.

ALTER TABLE kit_arrived ADD COLUMN other_minor INTEGER NOT NULL DEFAULT 0 CHECK (other_minor >= 0);
ALTER TABLE kit_arrived ADD COLUMN note TEXT;
ALTER TABLE kit_arrived ADD COLUMN paid_by TEXT;

CREATE TABLE part_decanted (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    kit_id   INTEGER NOT NULL REFERENCES kit (id),
    part     TEXT NOT NULL,
    vials    INTEGER NOT NULL CHECK (vials > 0)
);

CREATE TABLE part_corrected (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    kit_id   INTEGER NOT NULL REFERENCES kit (id),
    part     TEXT NOT NULL,
    amount   REAL NOT NULL CHECK (amount >= 0),
    reason   TEXT NOT NULL
);

CREATE TABLE part_thrown_away (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    kit_id   INTEGER NOT NULL REFERENCES kit (id),
    part     TEXT NOT NULL,
    amount   REAL NOT NULL CHECK (amount > 0),
    route    TEXT NOT NULL CHECK (route IN ('DEVELOPERS', 'SILVER_BEARING', 'OTHERS')),
    reason   TEXT NOT NULL
);

CREATE TABLE part_moved (
    sequence  INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    kit_id    INTEGER NOT NULL REFERENCES kit (id),
    part      TEXT NOT NULL,
    to_kit_id INTEGER NOT NULL REFERENCES kit (id),
    amount    REAL NOT NULL CHECK (amount > 0)
);

-- A mix at the bench: what was planned, and every act that was ticked or taken back. It enters the log when it ends.

CREATE TABLE mix_begun (
    id                 INTEGER PRIMARY KEY AUTOINCREMENT,
    member_id          INTEGER NOT NULL REFERENCES member (id),
    begun_at           TEXT NOT NULL,
    leaflet_version_id INTEGER NOT NULL REFERENCES leaflet_version (id),
    batch_id           INTEGER NOT NULL REFERENCES batch (id),
    name               TEXT,
    old_fill_id        INTEGER REFERENCES fill (id),
    old_fill_route     TEXT CHECK (old_fill_route IN ('DEVELOPERS', 'SILVER_BEARING', 'OTHERS'))
);

CREATE TABLE mix_kit (
    mix_id   INTEGER NOT NULL REFERENCES mix_begun (id),
    position INTEGER NOT NULL,
    kit_id   INTEGER NOT NULL REFERENCES kit (id),
    PRIMARY KEY (mix_id, position)
);

CREATE TABLE mix_bath (
    mix_id       INTEGER NOT NULL REFERENCES mix_begun (id),
    bath         TEXT NOT NULL,
    fill_id      INTEGER NOT NULL UNIQUE REFERENCES fill (id),
    volume_ml    REAL NOT NULL CHECK (volume_ml > 0),
    parts_for_ml REAL NOT NULL CHECK (parts_for_ml > 0),
    volume_typed TEXT NOT NULL,
    bottle_id    INTEGER NOT NULL REFERENCES bottle (id),
    PRIMARY KEY (mix_id, bath)
);

CREATE TABLE mix_left (
    mix_id INTEGER NOT NULL REFERENCES mix_begun (id),
    part   TEXT NOT NULL,
    amount REAL NOT NULL,
    PRIMARY KEY (mix_id, part)
);

CREATE TABLE mix_tick (
    sequence  INTEGER PRIMARY KEY AUTOINCREMENT,
    mix_id    INTEGER NOT NULL REFERENCES mix_begun (id),
    act       INTEGER NOT NULL,
    undone    INTEGER NOT NULL CHECK (undone IN (0, 1)),
    poured    REAL CHECK (poured >= 0),
    celsius   REAL,
    member_id INTEGER NOT NULL REFERENCES member (id),
    at        TEXT NOT NULL
);

CREATE TABLE mix_ended (
    mix_id    INTEGER PRIMARY KEY REFERENCES mix_begun (id),
    abandoned INTEGER NOT NULL CHECK (abandoned IN (0, 1)),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at        TEXT NOT NULL
);

ALTER TABLE leaflet_version ADD COLUMN member_id INTEGER REFERENCES member (id);

-- Critical figures of a leaflet, typed again by somebody else.

CREATE TABLE leaflet_retyped (
    id                 INTEGER PRIMARY KEY,
    leaflet_version_id INTEGER NOT NULL REFERENCES leaflet_version (id),
    member_id          INTEGER NOT NULL REFERENCES member (id),
    at                 TEXT NOT NULL,
    differences        TEXT NOT NULL
);

-- What the house has around its bench.

CREATE TABLE jug (
    id          INTEGER PRIMARY KEY,
    name        TEXT NOT NULL UNIQUE COLLATE NOCASE,
    capacity_ml REAL NOT NULL CHECK (capacity_ml > 0),
    removed     INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

ALTER TABLE house ADD COLUMN cold_water_c REAL NOT NULL DEFAULT 15;
ALTER TABLE house ADD COLUMN hot_water_c REAL NOT NULL DEFAULT 55;
ALTER TABLE house ADD COLUMN room_c REAL NOT NULL DEFAULT 20;
ALTER TABLE house ADD COLUMN delivery_weeks INTEGER NOT NULL DEFAULT 3 CHECK (delivery_weeks >= 0);

CREATE TRIGGER part_decanted_no_update BEFORE UPDATE ON part_decanted BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_decanted_no_delete BEFORE DELETE ON part_decanted BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_corrected_no_update BEFORE UPDATE ON part_corrected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_corrected_no_delete BEFORE DELETE ON part_corrected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_thrown_away_no_update BEFORE UPDATE ON part_thrown_away BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_thrown_away_no_delete BEFORE DELETE ON part_thrown_away BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_moved_no_update BEFORE UPDATE ON part_moved BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_moved_no_delete BEFORE DELETE ON part_moved BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_begun_no_update BEFORE UPDATE ON mix_begun BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_begun_no_delete BEFORE DELETE ON mix_begun BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_kit_no_update BEFORE UPDATE ON mix_kit BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_kit_no_delete BEFORE DELETE ON mix_kit BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_bath_no_update BEFORE UPDATE ON mix_bath BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_bath_no_delete BEFORE DELETE ON mix_bath BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_left_no_update BEFORE UPDATE ON mix_left BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_left_no_delete BEFORE DELETE ON mix_left BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_tick_no_update BEFORE UPDATE ON mix_tick BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_tick_no_delete BEFORE DELETE ON mix_tick BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_ended_no_update BEFORE UPDATE ON mix_ended BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mix_ended_no_delete BEFORE DELETE ON mix_ended BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER leaflet_retyped_no_update BEFORE UPDATE ON leaflet_retyped BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER leaflet_retyped_no_delete BEFORE DELETE ON leaflet_retyped BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
