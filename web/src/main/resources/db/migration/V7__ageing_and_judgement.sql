-- Ageing, inspection and judgement.

ALTER TABLE run_roll ADD COLUMN irreplaceable INTEGER NOT NULL DEFAULT 0 CHECK (irreplaceable IN (0, 1));
ALTER TABLE started_roll ADD COLUMN irreplaceable INTEGER NOT NULL DEFAULT 0 CHECK (irreplaceable IN (0, 1));

CREATE TABLE film_inspected (
    sequence     INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    batch_id     INTEGER NOT NULL REFERENCES batch (id),
    run          INTEGER NOT NULL REFERENCES run_logged (sequence),
    roll         INTEGER NOT NULL,
    result       TEXT NOT NULL,
    suspects     TEXT NOT NULL,
    trim_percent REAL,
    note         TEXT
);

CREATE TABLE inspected_fill (
    sequence INTEGER NOT NULL REFERENCES film_inspected (sequence),
    fill_id  INTEGER NOT NULL REFERENCES fill (id),
    PRIMARY KEY (sequence, fill_id)
);

CREATE TABLE bath_looked (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    fill_id  INTEGER NOT NULL REFERENCES fill (id),
    sign     TEXT NOT NULL CHECK (sign IN ('CONTAMINATED', 'SLUDGE', 'BLACK', 'DARK', 'CRYSTALS', 'SMELL')),
    note     TEXT
);

CREATE TABLE fill_seen (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    fill_id  INTEGER NOT NULL REFERENCES fill (id)
);

-- How the house judges. The last decision about a process holds.

CREATE TABLE school_chosen (
    id        INTEGER PRIMARY KEY,
    process   TEXT NOT NULL,
    school    TEXT NOT NULL CHECK (school IN ('LEAFLET', 'CAREFUL', 'STRETCH')),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at        TEXT NOT NULL
);

-- How warm and light it is where bottles stand.

CREATE TABLE place_climate (
    place_id  INTEGER PRIMARY KEY REFERENCES place (id),
    dec_feb_c REAL NOT NULL,
    mar_may_c REAL NOT NULL,
    jun_aug_c REAL NOT NULL,
    sep_nov_c REAL NOT NULL,
    light     TEXT NOT NULL CHECK (light IN ('DARK', 'SHADED', 'OPEN'))
);

CREATE TABLE place_reading (
    place_id INTEGER NOT NULL REFERENCES place (id),
    at       TEXT NOT NULL,
    celsius  REAL NOT NULL,
    PRIMARY KEY (place_id, at)
);

CREATE TRIGGER film_inspected_no_update BEFORE UPDATE ON film_inspected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER film_inspected_no_delete BEFORE DELETE ON film_inspected BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER inspected_fill_no_update BEFORE UPDATE ON inspected_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER inspected_fill_no_delete BEFORE DELETE ON inspected_fill BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER bath_looked_no_update BEFORE UPDATE ON bath_looked BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER bath_looked_no_delete BEFORE DELETE ON bath_looked BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER school_chosen_no_update BEFORE UPDATE ON school_chosen BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER school_chosen_no_delete BEFORE DELETE ON school_chosen BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER place_reading_no_update BEFORE UPDATE ON place_reading BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER place_reading_no_delete BEFORE DELETE ON place_reading BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_seen_no_update BEFORE UPDATE ON fill_seen BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_seen_no_delete BEFORE DELETE ON fill_seen BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
