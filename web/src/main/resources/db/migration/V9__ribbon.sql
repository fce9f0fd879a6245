-- Runs played on the ribbon.

CREATE TABLE run_way (
    started     INTEGER PRIMARY KEY REFERENCES run_started (sequence),
    pre_soak    INTEGER NOT NULL CHECK (pre_soak IN (0, 1)),
    rinse       INTEGER NOT NULL CHECK (rinse IN (0, 1)),
    final_rinse INTEGER NOT NULL CHECK (final_rinse IN (0, 1)),
    movement    TEXT NOT NULL CHECK (movement IN ('INVERSION', 'STICK', 'ROTARY'))
);

-- What was confirmed while a run went on: pours, changes, temperatures. Two devices never take the same number.

CREATE TABLE run_event (
    started INTEGER NOT NULL REFERENCES run_started (sequence),
    number  INTEGER NOT NULL,
    at      TEXT NOT NULL,
    kind    TEXT NOT NULL,
    step    INTEGER NOT NULL,
    value   REAL NOT NULL,
    PRIMARY KEY (started, number)
);

CREATE TRIGGER run_way_no_update BEFORE UPDATE ON run_way BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_way_no_delete BEFORE DELETE ON run_way BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_event_no_update BEFORE UPDATE ON run_event BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_event_no_delete BEFORE DELETE ON run_event BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
