-- How a run was done and in which tank, whether it was played or logged as done: the next plan begins with that.

CREATE TABLE run_chosen (
    run INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    choices TEXT NOT NULL,
    tank_id INTEGER REFERENCES tank (id)
);

CREATE TRIGGER run_chosen_no_update BEFORE UPDATE ON run_chosen BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_chosen_no_delete BEFORE DELETE ON run_chosen BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
