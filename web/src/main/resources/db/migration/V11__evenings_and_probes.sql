-- What goes into a tank: how much it takes on a rotary base, and how many reels of each kind fill it.

ALTER TABLE tank ADD COLUMN rotary_ml REAL CHECK (rotary_ml > 0);

CREATE TABLE tank_reel (
    tank_id INTEGER NOT NULL REFERENCES tank (id),
    reel    TEXT NOT NULL,
    holds   INTEGER NOT NULL CHECK (holds > 0),
    PRIMARY KEY (tank_id, reel)
);

-- A run that was given up before its end, and why; its baths are those that the film had reached.

ALTER TABLE run_logged ADD COLUMN abandoned TEXT;

-- Temperatures that come in by themselves. A probe is known by what it carries, of which only the hash is kept.

CREATE TABLE probe (
    id         INTEGER PRIMARY KEY,
    name       TEXT NOT NULL,
    token_hash TEXT UNIQUE,
    removed    INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
    member_id  INTEGER NOT NULL REFERENCES member (id),
    at         TEXT NOT NULL
);

CREATE TABLE probe_reading (
    id       INTEGER PRIMARY KEY,
    probe_id INTEGER NOT NULL REFERENCES probe (id),
    at       TEXT NOT NULL,
    celsius  REAL NOT NULL
);

CREATE INDEX probe_reading_by_time ON probe_reading (probe_id, at);

-- A probe that is not there: the bath that it shows, from when on, and what goes wrong with it.

CREATE TABLE simulated_probe (
    probe_id   INTEGER PRIMARY KEY REFERENCES probe (id),
    batch_id   INTEGER NOT NULL,
    began      TEXT NOT NULL,
    litres     REAL NOT NULL,
    power_w    REAL NOT NULL,
    loss_w_per_k REAL NOT NULL,
    room_c     REAL NOT NULL,
    start_c    REAL NOT NULL,
    set_c      REAL NOT NULL,
    fault      TEXT NOT NULL,
    fault_at_s REAL NOT NULL
);

CREATE TABLE simulated_bottle (
    id       INTEGER PRIMARY KEY,
    probe_id INTEGER NOT NULL REFERENCES simulated_probe (probe_id),
    litres   REAL NOT NULL,
    w_per_k  REAL NOT NULL,
    start_c  REAL NOT NULL
);

-- More ways of doing a run, and the probe that watches it.

ALTER TABLE run_way ADD COLUMN straight INTEGER NOT NULL DEFAULT 0 CHECK (straight IN (0, 1));
ALTER TABLE run_way ADD COLUMN room_rinse INTEGER NOT NULL DEFAULT 0 CHECK (room_rinse IN (0, 1));
ALTER TABLE run_way ADD COLUMN wetting_agent INTEGER NOT NULL DEFAULT 1 CHECK (wetting_agent IN (0, 1));
ALTER TABLE run_way ADD COLUMN probe_id INTEGER REFERENCES probe (id);

-- What the house does during a run: ask for the bottle's code, and advise when a developer drifts.

ALTER TABLE house ADD COLUMN scans_bottles INTEGER NOT NULL DEFAULT 1 CHECK (scans_bottles IN (0, 1));
ALTER TABLE house ADD COLUMN advises_drift INTEGER NOT NULL DEFAULT 0 CHECK (advises_drift IN (0, 1));

-- Loads that a member has planned for an evening: the film, the tank and the ways as a plan's address carries them.

CREATE TABLE evening_load (
    id         INTEGER PRIMARY KEY,
    member_id  INTEGER NOT NULL REFERENCES member (id),
    batch_id   INTEGER NOT NULL,
    plan       TEXT NOT NULL,
    planned_at TEXT NOT NULL
);

-- A load that was begun, or dropped.

CREATE TABLE evening_load_over (
    load_id INTEGER PRIMARY KEY REFERENCES evening_load (id),
    started INTEGER REFERENCES run_started (sequence),
    at      TEXT NOT NULL
);

-- Practice, as it was confirmed, and what stewards signed off.

CREATE TABLE practice (
    id         INTEGER PRIMARY KEY,
    member_id  INTEGER NOT NULL REFERENCES member (id),
    leaflet_id INTEGER NOT NULL,
    movement   TEXT NOT NULL,
    speed      INTEGER NOT NULL,
    fault      TEXT NOT NULL,
    events     TEXT NOT NULL,
    at         TEXT NOT NULL
);

CREATE TABLE sign_off (
    id          INTEGER PRIMARY KEY,
    member_id   INTEGER NOT NULL REFERENCES member (id),
    kind        TEXT NOT NULL CHECK (kind IN ('PRACTICE', 'FIRST_RUN')),
    practice_id INTEGER REFERENCES practice (id),
    run         INTEGER REFERENCES run_logged (sequence),
    steward_id  INTEGER NOT NULL REFERENCES member (id),
    at          TEXT NOT NULL
);

CREATE TRIGGER probe_reading_no_update BEFORE UPDATE ON probe_reading BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER probe_reading_no_delete BEFORE DELETE ON probe_reading BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER practice_no_update BEFORE UPDATE ON practice BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER practice_no_delete BEFORE DELETE ON practice BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER sign_off_no_update BEFORE UPDATE ON sign_off BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER sign_off_no_delete BEFORE DELETE ON sign_off BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
