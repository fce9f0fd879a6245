-- The house and what it owns.

CREATE TABLE house (
    id        INTEGER PRIMARY KEY CHECK (id = 1),
    name      TEXT NOT NULL,
    currency  TEXT NOT NULL,
    time_zone TEXT NOT NULL
);

CREATE TABLE member (
    id            INTEGER PRIMARY KEY,
    sign_in_name  TEXT NOT NULL UNIQUE COLLATE NOCASE,
    name          TEXT NOT NULL,
    password_hash TEXT NOT NULL,
    role          TEXT NOT NULL CHECK (role IN ('MEMBER', 'STEWARD'))
);

CREATE TABLE tank (
    id        INTEGER PRIMARY KEY,
    name      TEXT NOT NULL UNIQUE,
    volume_ml REAL NOT NULL CHECK (volume_ml > 0)
);

CREATE TABLE bottle (
    id          INTEGER PRIMARY KEY,
    label       TEXT NOT NULL UNIQUE,
    capacity_ml REAL NOT NULL CHECK (capacity_ml > 0),
    material    TEXT NOT NULL CHECK (material IN ('GLASS', 'PLASTIC', 'FOLDING'))
);

-- A leaflet never changes: a correction is another version.

CREATE TABLE leaflet_version (
    id       INTEGER PRIMARY KEY,
    key      TEXT NOT NULL,
    version  INTEGER NOT NULL,
    document TEXT NOT NULL,
    UNIQUE (key, version)
);

-- What the log speaks of. The state of these is folded from the log and never stored.

CREATE TABLE kit (id INTEGER PRIMARY KEY AUTOINCREMENT);
CREATE TABLE batch (id INTEGER PRIMARY KEY AUTOINCREMENT);
CREATE TABLE fill (id INTEGER PRIMARY KEY AUTOINCREMENT);

-- The log: one row for everything that happened, and its details by kind.

CREATE TABLE log_entry (
    sequence    INTEGER PRIMARY KEY AUTOINCREMENT,
    kind        TEXT NOT NULL,
    member_id   INTEGER NOT NULL REFERENCES member (id),
    happened_at TEXT NOT NULL,
    recorded_at TEXT NOT NULL,
    about       INTEGER NOT NULL DEFAULT 0 CHECK (about IN (0, 1))
);

CREATE TABLE kit_arrived (
    sequence           INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    kit_id             INTEGER NOT NULL UNIQUE REFERENCES kit (id),
    leaflet_version_id INTEGER NOT NULL REFERENCES leaflet_version (id),
    currency           TEXT NOT NULL,
    price_minor        INTEGER NOT NULL CHECK (price_minor >= 0),
    delivery_minor     INTEGER NOT NULL CHECK (delivery_minor >= 0),
    lot                TEXT
);

CREATE TABLE part_opened (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    kit_id   INTEGER NOT NULL REFERENCES kit (id),
    part     TEXT NOT NULL
);

CREATE TABLE batch_mixed (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    batch_id INTEGER NOT NULL UNIQUE REFERENCES batch (id),
    name     TEXT NOT NULL
);

CREATE TABLE mixed_fill (
    fill_id            INTEGER PRIMARY KEY REFERENCES fill (id),
    sequence           INTEGER NOT NULL REFERENCES log_entry (sequence),
    position           INTEGER NOT NULL,
    leaflet_version_id INTEGER NOT NULL REFERENCES leaflet_version (id),
    bath               TEXT NOT NULL,
    volume_ml          REAL NOT NULL CHECK (volume_ml > 0),
    volume_typed       TEXT NOT NULL,
    bottle_id          INTEGER NOT NULL REFERENCES bottle (id),
    UNIQUE (sequence, position)
);

CREATE TABLE part_use (
    fill_id   INTEGER NOT NULL REFERENCES mixed_fill (fill_id),
    kit_id    INTEGER NOT NULL REFERENCES kit (id),
    part      TEXT NOT NULL,
    amount    REAL NOT NULL CHECK (amount > 0),
    kit_share REAL NOT NULL CHECK (kit_share >= 0),
    PRIMARY KEY (fill_id, kit_id, part)
);

CREATE TABLE run_logged (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    batch_id INTEGER NOT NULL REFERENCES batch (id),
    tank_ml  REAL NOT NULL CHECK (tank_ml > 0),
    against  TEXT NOT NULL
);

CREATE TABLE run_roll (
    sequence    INTEGER NOT NULL REFERENCES run_logged (sequence),
    position    INTEGER NOT NULL,
    owner       TEXT NOT NULL,
    format      TEXT NOT NULL,
    equivalents REAL NOT NULL CHECK (equivalents > 0),
    stops       REAL NOT NULL,
    PRIMARY KEY (sequence, position)
);

CREATE TABLE run_bath (
    sequence         INTEGER NOT NULL REFERENCES run_logged (sequence),
    fill_id          INTEGER NOT NULL REFERENCES fill (id),
    seconds          INTEGER,
    wear_equivalents REAL NOT NULL,
    carry_over_ml    REAL NOT NULL,
    poured_away_ml   REAL NOT NULL,
    PRIMARY KEY (sequence, fill_id)
);

CREATE TABLE fill_volume_changed (
    sequence  INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    fill_id   INTEGER NOT NULL REFERENCES fill (id),
    volume_ml REAL NOT NULL CHECK (volume_ml > 0)
);

CREATE TABLE fill_inspected (
    sequence     INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    fill_id      INTEGER NOT NULL REFERENCES fill (id),
    result       TEXT NOT NULL,
    chemistry    INTEGER NOT NULL CHECK (chemistry IN (0, 1)),
    trim_percent REAL NOT NULL
);

CREATE TABLE fills_discarded (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    batch_id INTEGER NOT NULL REFERENCES batch (id),
    reason   TEXT NOT NULL
);

CREATE TABLE discarded_fill (
    sequence  INTEGER NOT NULL REFERENCES fills_discarded (sequence),
    fill_id   INTEGER NOT NULL REFERENCES fill (id),
    volume_ml REAL NOT NULL CHECK (volume_ml >= 0),
    route     TEXT NOT NULL,
    PRIMARY KEY (sequence, fill_id)
);

CREATE TABLE entry_voided (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    voided   INTEGER NOT NULL UNIQUE REFERENCES log_entry (sequence),
    reason   TEXT NOT NULL
);

-- Each form is good for one entry.

CREATE TABLE form_key (
    key     TEXT PRIMARY KEY,
    led_to  TEXT NOT NULL,
    used_at TEXT NOT NULL
);

-- Rows of the log are only ever added.

CREATE TRIGGER leaflet_version_no_update BEFORE UPDATE ON leaflet_version BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER leaflet_version_no_delete BEFORE DELETE ON leaflet_version BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER log_entry_no_update BEFORE UPDATE ON log_entry BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER log_entry_no_delete BEFORE DELETE ON log_entry BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER kit_arrived_no_update BEFORE UPDATE ON kit_arrived BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER kit_arrived_no_delete BEFORE DELETE ON kit_arrived BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_opened_no_update BEFORE UPDATE ON part_opened BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_opened_no_delete BEFORE DELETE ON part_opened BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER batch_mixed_no_update BEFORE UPDATE ON batch_mixed BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER batch_mixed_no_delete BEFORE DELETE ON batch_mixed BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mixed_fill_no_update BEFORE UPDATE ON mixed_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER mixed_fill_no_delete BEFORE DELETE ON mixed_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_use_no_update BEFORE UPDATE ON part_use BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_use_no_delete BEFORE DELETE ON part_use BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_logged_no_update BEFORE UPDATE ON run_logged BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_logged_no_delete BEFORE DELETE ON run_logged BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_roll_no_update BEFORE UPDATE ON run_roll BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_roll_no_delete BEFORE DELETE ON run_roll BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_bath_no_update BEFORE UPDATE ON run_bath BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_bath_no_delete BEFORE DELETE ON run_bath BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_volume_changed_no_update BEFORE UPDATE ON fill_volume_changed BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_volume_changed_no_delete BEFORE DELETE ON fill_volume_changed BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_inspected_no_update BEFORE UPDATE ON fill_inspected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_inspected_no_delete BEFORE DELETE ON fill_inspected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fills_discarded_no_update BEFORE UPDATE ON fills_discarded BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fills_discarded_no_delete BEFORE DELETE ON fills_discarded BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER discarded_fill_no_update BEFORE UPDATE ON discarded_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER discarded_fill_no_delete BEFORE DELETE ON discarded_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER entry_voided_no_update BEFORE UPDATE ON entry_voided BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER entry_voided_no_delete BEFORE DELETE ON entry_voided BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
