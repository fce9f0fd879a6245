-- What happens between a run's start and its end, and what else a whole darkroom does to shared bottles.

CREATE TABLE part_bought_alone (
    sequence INTEGER NOT NULL REFERENCES kit_arrived (sequence),
    part     TEXT NOT NULL,
    PRIMARY KEY (sequence, part)
);

CREATE TABLE adopted_fill (
    fill_id  INTEGER PRIMARY KEY REFERENCES mixed_fill (fill_id),
    mixed_at TEXT NOT NULL,
    rolls    REAL NOT NULL CHECK (rolls >= 0)
);

CREATE TABLE run_started (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    batch_id INTEGER NOT NULL REFERENCES batch (id),
    tank_ml  REAL NOT NULL CHECK (tank_ml > 0)
);

CREATE TABLE started_roll (
    sequence    INTEGER NOT NULL REFERENCES run_started (sequence),
    position    INTEGER NOT NULL,
    owner       TEXT NOT NULL,
    format      TEXT NOT NULL,
    equivalents REAL NOT NULL CHECK (equivalents > 0),
    stops       REAL NOT NULL,
    PRIMARY KEY (sequence, position)
);

CREATE TABLE started_bath (
    sequence         INTEGER NOT NULL REFERENCES run_started (sequence),
    fill_id          INTEGER NOT NULL REFERENCES fill (id),
    seconds          INTEGER,
    wear_equivalents REAL NOT NULL,
    carry_over_ml    REAL NOT NULL,
    poured_away_ml   REAL NOT NULL,
    PRIMARY KEY (sequence, fill_id)
);

ALTER TABLE run_logged ADD COLUMN started INTEGER REFERENCES run_started (sequence);
ALTER TABLE run_bath ADD COLUMN celsius REAL;

CREATE TABLE run_called_off (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    started  INTEGER NOT NULL REFERENCES run_started (sequence),
    reason   TEXT NOT NULL
);

CREATE TABLE top_up_use (
    sequence  INTEGER NOT NULL REFERENCES fill_volume_changed (sequence),
    kit_id    INTEGER NOT NULL REFERENCES kit (id),
    part      TEXT NOT NULL,
    amount    REAL NOT NULL CHECK (amount > 0),
    kit_share REAL NOT NULL CHECK (kit_share >= 0),
    PRIMARY KEY (sequence, kit_id, part)
);

CREATE TABLE bath_renewed (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    batch_id INTEGER NOT NULL REFERENCES batch (id)
);

CREATE TABLE fill_shared (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    batch_id INTEGER NOT NULL REFERENCES batch (id),
    fill_id  INTEGER NOT NULL REFERENCES fill (id)
);

CREATE TABLE place (
    id      INTEGER PRIMARY KEY,
    name    TEXT NOT NULL UNIQUE COLLATE NOCASE,
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

CREATE TABLE fill_moved (
    sequence  INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    fill_id   INTEGER NOT NULL REFERENCES fill (id),
    bottle_id INTEGER NOT NULL REFERENCES bottle (id),
    place_id  INTEGER REFERENCES place (id),
    air       TEXT NOT NULL CHECK (air IN ('NOTHING', 'VACUUM_STOPPER', 'INERT_GAS', 'SQUEEZED'))
);

CREATE TABLE limit_overridden (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    fill_id  INTEGER NOT NULL REFERENCES fill (id),
    limits   TEXT NOT NULL,
    reason   TEXT NOT NULL
);

CREATE TABLE leaflet_corrected (
    sequence           INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    leaflet_version_id INTEGER NOT NULL REFERENCES leaflet_version (id),
    reason             TEXT NOT NULL
);

CREATE TABLE corrected_fill (
    sequence INTEGER NOT NULL REFERENCES leaflet_corrected (sequence),
    fill_id  INTEGER NOT NULL REFERENCES fill (id),
    PRIMARY KEY (sequence, fill_id)
);

CREATE TABLE note_left (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    batch_id INTEGER NOT NULL REFERENCES batch (id),
    text     TEXT NOT NULL
);

CREATE TRIGGER part_bought_alone_no_update BEFORE UPDATE ON part_bought_alone BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER part_bought_alone_no_delete BEFORE DELETE ON part_bought_alone BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER adopted_fill_no_update BEFORE UPDATE ON adopted_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER adopted_fill_no_delete BEFORE DELETE ON adopted_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_started_no_update BEFORE UPDATE ON run_started BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_started_no_delete BEFORE DELETE ON run_started BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER started_roll_no_update BEFORE UPDATE ON started_roll BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER started_roll_no_delete BEFORE DELETE ON started_roll BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER started_bath_no_update BEFORE UPDATE ON started_bath BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER started_bath_no_delete BEFORE DELETE ON started_bath BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_called_off_no_update BEFORE UPDATE ON run_called_off BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_called_off_no_delete BEFORE DELETE ON run_called_off BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER top_up_use_no_update BEFORE UPDATE ON top_up_use BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER top_up_use_no_delete BEFORE DELETE ON top_up_use BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER bath_renewed_no_update BEFORE UPDATE ON bath_renewed BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER bath_renewed_no_delete BEFORE DELETE ON bath_renewed BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_shared_no_update BEFORE UPDATE ON fill_shared BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_shared_no_delete BEFORE DELETE ON fill_shared BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_moved_no_update BEFORE UPDATE ON fill_moved BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_moved_no_delete BEFORE DELETE ON fill_moved BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER limit_overridden_no_update BEFORE UPDATE ON limit_overridden BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER limit_overridden_no_delete BEFORE DELETE ON limit_overridden BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER leaflet_corrected_no_update BEFORE UPDATE ON leaflet_corrected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER leaflet_corrected_no_delete BEFORE DELETE ON leaflet_corrected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER corrected_fill_no_update BEFORE UPDATE ON corrected_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER corrected_fill_no_delete BEFORE DELETE ON corrected_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER note_left_no_update BEFORE UPDATE ON note_left BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER note_left_no_delete BEFORE DELETE ON note_left BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
