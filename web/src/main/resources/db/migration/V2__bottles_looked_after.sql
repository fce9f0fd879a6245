-- Bars on fills, and their lifting: the kind of the entry tells which.

CREATE TABLE fill_barred (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    fill_id  INTEGER NOT NULL REFERENCES fill (id),
    reason   TEXT NOT NULL
);
CREATE TRIGGER fill_barred_no_update BEFORE UPDATE ON fill_barred BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER fill_barred_no_delete BEFORE DELETE ON fill_barred BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
