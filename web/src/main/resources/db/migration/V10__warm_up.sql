-- Warming up: the house's water bath, and how its bottles were found to warm in it. The last figure holds.

CREATE TABLE house_tub (
    id           INTEGER PRIMARY KEY,
    litres       REAL NOT NULL CHECK (litres > 0),
    power_w      REAL NOT NULL CHECK (power_w > 0),
    loss_w_per_k REAL NOT NULL CHECK (loss_w_per_k >= 0),
    member_id    INTEGER NOT NULL REFERENCES member (id),
    at           TEXT NOT NULL
);

CREATE TABLE bottle_warmth (
    id        INTEGER PRIMARY KEY,
    bottle_id INTEGER NOT NULL REFERENCES bottle (id),
    w_per_k   REAL NOT NULL CHECK (w_per_k > 0),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at        TEXT NOT NULL
);

CREATE TRIGGER house_tub_no_update BEFORE UPDATE ON house_tub BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_tub_no_delete BEFORE DELETE ON house_tub BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER bottle_warmth_no_update BEFORE UPDATE ON bottle_warmth BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER bottle_warmth_no_delete BEFORE DELETE ON bottle_warmth BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
