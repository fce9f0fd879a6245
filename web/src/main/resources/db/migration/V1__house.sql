-- Everything that a house keeps. Times are UTC in ISO 8601, quantities have their unit in the name.

-- The house, its members, and how both read figures.

CREATE TABLE house (
    id INTEGER PRIMARY KEY CHECK (id = 1),
    name TEXT NOT NULL,
    currency TEXT NOT NULL,
    time_zone TEXT NOT NULL,
    units TEXT NOT NULL DEFAULT 'METRIC' CHECK (units IN ('METRIC', 'US')),
    address TEXT,
    cold_water_c REAL NOT NULL DEFAULT 15,
    hot_water_c REAL NOT NULL DEFAULT 55,
    room_c REAL NOT NULL DEFAULT 20,
    water_said INTEGER NOT NULL DEFAULT 0 CHECK (water_said IN (0, 1)),
    led INTEGER NOT NULL DEFAULT 0 CHECK (led IN (0, 1)),
    delivery_weeks INTEGER NOT NULL DEFAULT 3 CHECK (delivery_weeks >= 0),
    scans_bottles INTEGER NOT NULL DEFAULT 1 CHECK (scans_bottles IN (0, 1)),
    advises_drift INTEGER NOT NULL DEFAULT 0 CHECK (advises_drift IN (0, 1))
);

CREATE TABLE member (
    id INTEGER PRIMARY KEY,
    sign_in_name TEXT NOT NULL UNIQUE COLLATE NOCASE,
    name TEXT NOT NULL,
    password_hash TEXT NOT NULL,
    role TEXT NOT NULL CHECK (role IN ('MEMBER', 'STEWARD')),
    units TEXT CHECK (units IN ('METRIC', 'US')),
    pin_hash TEXT,
    left_at TEXT,
    led INTEGER NOT NULL DEFAULT 0 CHECK (led IN (0, 1))
);

-- What a member was ever called. Rows of the log name these, so that they go on saying what they said when somebody is
-- called otherwise later; when a former member wishes so, the text of theirs becomes a number.

CREATE TABLE member_name (
    id INTEGER PRIMARY KEY AUTOINCREMENT,
    member_id INTEGER NOT NULL REFERENCES member (id),
    name TEXT NOT NULL,
    changed INTEGER NOT NULL DEFAULT 0
);

-- A browser that somebody signed in with, until it ends. What it carries is kept as a hash only.

CREATE TABLE sign_in (
    id INTEGER PRIMARY KEY AUTOINCREMENT,
    member_id INTEGER NOT NULL REFERENCES member (id),
    token_hash TEXT NOT NULL UNIQUE,
    device TEXT NOT NULL,
    shared INTEGER NOT NULL DEFAULT 0 CHECK (shared IN (0, 1)),
    began_at TEXT NOT NULL,
    seen_at TEXT NOT NULL,
    ended_at TEXT
);

CREATE INDEX sign_in_of_member ON sign_in (member_id);

-- Who is at a shared device.

CREATE TABLE at_device (
    sign_in_id INTEGER PRIMARY KEY REFERENCES sign_in (id),
    member_id INTEGER NOT NULL REFERENCES member (id),
    with_pin INTEGER NOT NULL CHECK (with_pin IN (0, 1)),
    until TEXT NOT NULL
);

-- Who came in, and who was let do more or less, for stewards.

CREATE TABLE access_record (
    id INTEGER PRIMARY KEY,
    at TEXT NOT NULL,
    member_id INTEGER REFERENCES member (id),
    what TEXT NOT NULL
);

-- What the house keeps lists of. What is removed stays known to the log.

CREATE TABLE tank (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL UNIQUE,
    volume_ml REAL NOT NULL CHECK (volume_ml > 0),
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
    rotary_ml REAL CHECK (rotary_ml > 0),
    least_ml REAL CHECK (least_ml > 0)
);

CREATE TABLE tank_reel (
    tank_id INTEGER NOT NULL REFERENCES tank (id),
    reel TEXT NOT NULL,
    holds INTEGER NOT NULL CHECK (holds > 0),
    PRIMARY KEY (tank_id, reel)
);

CREATE TABLE bottle (
    id INTEGER PRIMARY KEY,
    label TEXT NOT NULL UNIQUE,
    capacity_ml REAL NOT NULL CHECK (capacity_ml > 0),
    material TEXT NOT NULL CHECK (material IN ('GLASS', 'PLASTIC', 'FOLDING')),
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

CREATE TABLE place (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL UNIQUE COLLATE NOCASE,
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

CREATE TABLE place_climate (
    place_id INTEGER PRIMARY KEY REFERENCES place (id),
    dec_feb_c REAL NOT NULL,
    mar_may_c REAL NOT NULL,
    jun_aug_c REAL NOT NULL,
    sep_nov_c REAL NOT NULL,
    light TEXT NOT NULL CHECK (light IN ('DARK', 'SHADED', 'OPEN'))
);

CREATE TABLE place_reading (
    place_id INTEGER NOT NULL REFERENCES place (id),
    at TEXT NOT NULL,
    celsius REAL NOT NULL,
    read_in INTEGER NOT NULL,
    PRIMARY KEY (place_id, at, read_in)
);

-- A file of readings that was taken back.

CREATE TABLE place_reading_taken_back (
    read_in INTEGER PRIMARY KEY,
    at TEXT NOT NULL
);

CREATE TABLE tool (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL UNIQUE COLLATE NOCASE,
    kind TEXT NOT NULL CHECK (kind IN ('CYLINDER', 'PIPETTE', 'SYRINGE', 'SCALES')),
    capacity REAL NOT NULL CHECK (capacity > 0),
    graduation REAL NOT NULL CHECK (graduation > 0),
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

CREATE TABLE heater (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL UNIQUE COLLATE NOCASE,
    offset_c REAL NOT NULL,
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

CREATE TABLE jug (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL UNIQUE COLLATE NOCASE,
    capacity_ml REAL NOT NULL CHECK (capacity_ml > 0),
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

CREATE TABLE drum (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL UNIQUE COLLATE NOCASE,
    kind TEXT NOT NULL CHECK (kind IN ('DEVELOPERS', 'SILVER_BEARING', 'OTHERS')),
    capacity_ml REAL NOT NULL CHECK (capacity_ml > 0),
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1))
);

-- A leaflet never changes: a correction is another version. Its critical figures can be typed again by somebody else.

CREATE TABLE leaflet_version (
    id INTEGER PRIMARY KEY,
    key TEXT NOT NULL,
    version INTEGER NOT NULL,
    document TEXT NOT NULL,
    typed TEXT,
    member_id INTEGER REFERENCES member (id),
    UNIQUE (key, version)
);

-- Whether a version is offered where somebody chooses; the last row counts.

CREATE TABLE leaflet_offered (
    id INTEGER PRIMARY KEY,
    leaflet_version_id INTEGER NOT NULL REFERENCES leaflet_version (id),
    withdrawn INTEGER NOT NULL CHECK (withdrawn IN (0, 1)),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

-- A sheet that is being typed: JSON of its fields. It changes as long as somebody types.

CREATE TABLE sheet_draft (
    id INTEGER PRIMARY KEY AUTOINCREMENT,
    typed TEXT NOT NULL,
    from_id INTEGER REFERENCES leaflet_version (id),
    begun_by INTEGER NOT NULL REFERENCES member (id),
    changed_by INTEGER NOT NULL REFERENCES member (id),
    changed_at TEXT NOT NULL,
    proposed INTEGER NOT NULL DEFAULT 0 CHECK (proposed IN (0, 1)),
    became_id INTEGER REFERENCES leaflet_version (id),
    thrown_away INTEGER NOT NULL DEFAULT 0 CHECK (thrown_away IN (0, 1))
);

-- A kit that a member says came: JSON of the fields of its form, until a steward has answered.

CREATE TABLE kit_proposal (
    id INTEGER PRIMARY KEY AUTOINCREMENT,
    typed TEXT NOT NULL,
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL,
    answered INTEGER NOT NULL DEFAULT 0 CHECK (answered IN (0, 1))
);

CREATE TABLE leaflet_retyped (
    id INTEGER PRIMARY KEY,
    leaflet_version_id INTEGER NOT NULL REFERENCES leaflet_version (id),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL,
    differences TEXT NOT NULL
);

-- Numbers for what the log speaks of. The state of these is folded from the log and never stored.

CREATE TABLE kit (
    id INTEGER PRIMARY KEY AUTOINCREMENT
);

CREATE TABLE waiting_film (
    id INTEGER PRIMARY KEY AUTOINCREMENT
);

CREATE TABLE batch (
    id INTEGER PRIMARY KEY AUTOINCREMENT
);

CREATE TABLE fill (
    id INTEGER PRIMARY KEY AUTOINCREMENT
);

-- The log: one row for everything that happened. The body is JSON, by kind, as docs/formats/mezcla-log-1.md describes.

CREATE TABLE log_entry (
    sequence INTEGER PRIMARY KEY,
    kind TEXT NOT NULL,
    happened_at TEXT NOT NULL,
    recorded_at TEXT NOT NULL,
    about INTEGER NOT NULL CHECK (about IN (0, 1)),
    member_id INTEGER NOT NULL REFERENCES member (id),
    name_id INTEGER NOT NULL REFERENCES member_name (id),
    device TEXT,
    body TEXT NOT NULL CHECK (json_valid(body))
);

-- Addresses that nobody can guess, for what is looked at without signing in. Kept as a hash only; the last one counts.

CREATE TABLE secret_address (
    id INTEGER PRIMARY KEY,
    kind TEXT NOT NULL CHECK (kind IN ('WALL', 'CALENDAR')),
    hash TEXT NOT NULL UNIQUE,
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL,
    ended_at TEXT
);

-- Each form is good for one entry.

CREATE TABLE form_key (
    key TEXT PRIMARY KEY,
    led_to TEXT NOT NULL,
    content TEXT NOT NULL,
    used_at TEXT NOT NULL
);

-- How strictly the house takes limits, and the limits that it sets itself.

CREATE TABLE school_chosen (
    id INTEGER PRIMARY KEY,
    process TEXT NOT NULL,
    school TEXT NOT NULL CHECK (school IN ('LEAFLET', 'CAREFUL', 'STRETCH')),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

CREATE TABLE house_limit (
    id INTEGER PRIMARY KEY,
    leaflet TEXT NOT NULL,
    bath TEXT NOT NULL,
    rolls REAL CHECK (rolls > 0),
    days REAL CHECK (days > 0),
    reason TEXT NOT NULL,
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

-- What the house takes where a sheet prints no life or no capacity: the latest row of a role counts.

CREATE TABLE stand_in (
    id INTEGER PRIMARY KEY,
    role TEXT NOT NULL,
    life_days REAL CHECK (life_days > 0),
    rolls_a_litre REAL CHECK (rolls_a_litre > 0),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

-- A mix at the bench: what was planned, and every act that was ticked or taken back. It enters the log when it ends.

CREATE TABLE mix_begun (
    id INTEGER PRIMARY KEY AUTOINCREMENT,
    member_id INTEGER NOT NULL REFERENCES member (id),
    begun_at TEXT NOT NULL,
    leaflet_version_id INTEGER NOT NULL REFERENCES leaflet_version (id),
    batch_id INTEGER NOT NULL REFERENCES batch (id),
    name TEXT,
    old_fill_id INTEGER REFERENCES fill (id),
    old_fill_route TEXT CHECK (old_fill_route IN ('DEVELOPERS', 'SILVER_BEARING', 'OTHERS')),
    warmest_first INTEGER NOT NULL DEFAULT 0 CHECK (warmest_first IN (0, 1))
);

CREATE TABLE mix_kit (
    mix_id INTEGER NOT NULL REFERENCES mix_begun (id),
    position INTEGER NOT NULL,
    kit_id INTEGER NOT NULL REFERENCES kit (id),
    PRIMARY KEY (mix_id, position)
);

CREATE TABLE mix_bath (
    mix_id INTEGER NOT NULL REFERENCES mix_begun (id),
    bath TEXT NOT NULL,
    fill_id INTEGER NOT NULL UNIQUE REFERENCES fill (id),
    volume_ml REAL NOT NULL CHECK (volume_ml > 0),
    parts_for_ml REAL NOT NULL CHECK (parts_for_ml > 0),
    volume_typed TEXT NOT NULL,
    bottle_id INTEGER REFERENCES bottle (id),
    PRIMARY KEY (mix_id, bath)
);

CREATE TABLE mix_left (
    mix_id INTEGER NOT NULL REFERENCES mix_begun (id),
    part TEXT NOT NULL,
    amount REAL NOT NULL,
    PRIMARY KEY (mix_id, part)
);

CREATE TABLE mix_tick (
    sequence INTEGER PRIMARY KEY AUTOINCREMENT,
    mix_id INTEGER NOT NULL REFERENCES mix_begun (id),
    act INTEGER NOT NULL,
    undone INTEGER NOT NULL CHECK (undone IN (0, 1)),
    poured REAL CHECK (poured >= 0),
    celsius REAL,
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

CREATE TABLE mix_ended (
    mix_id INTEGER PRIMARY KEY REFERENCES mix_begun (id),
    abandoned INTEGER NOT NULL CHECK (abandoned IN (0, 1)),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

-- Photos of looks at film; the files lie beside the database.

CREATE TABLE look_photo (
    sequence INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    file TEXT NOT NULL UNIQUE,
    width INTEGER NOT NULL CHECK (width > 0),
    height INTEGER NOT NULL CHECK (height > 0)
);

-- A run on the ribbon: how it is done, and what was confirmed.

CREATE TABLE run_way (
    started INTEGER PRIMARY KEY REFERENCES log_entry (sequence),
    choices TEXT NOT NULL,
    probe_id INTEGER REFERENCES probe (id)
);

CREATE TABLE house_way (
    id INTEGER PRIMARY KEY,
    process TEXT NOT NULL,
    choices TEXT NOT NULL,
    set_by INTEGER NOT NULL REFERENCES member (id),
    set_at TEXT NOT NULL
);

CREATE TABLE run_event (
    started INTEGER NOT NULL REFERENCES log_entry (sequence),
    number INTEGER NOT NULL,
    at TEXT NOT NULL,
    kind TEXT NOT NULL,
    step INTEGER NOT NULL,
    value REAL NOT NULL,
    PRIMARY KEY (started, number)
);

-- Warming up: the house's water bath, and how its bottles were found to warm in it. The last figure holds.

CREATE TABLE house_tub (
    id INTEGER PRIMARY KEY,
    litres REAL NOT NULL CHECK (litres > 0),
    power_w REAL NOT NULL CHECK (power_w >= 0),
    loss_w_per_k REAL NOT NULL CHECK (loss_w_per_k >= 0),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

CREATE TABLE bottle_warmth (
    id INTEGER PRIMARY KEY,
    bottle_id INTEGER NOT NULL REFERENCES bottle (id),
    w_per_k REAL NOT NULL CHECK (w_per_k > 0),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

-- Temperatures that come in by themselves. A probe is known by what it carries, of which only the hash is kept; one that is not there shows a bath that is reckoned.

CREATE TABLE probe (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    token_hash TEXT UNIQUE,
    removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
    member_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

CREATE TABLE probe_reading (
    id INTEGER PRIMARY KEY,
    probe_id INTEGER NOT NULL REFERENCES probe (id),
    at TEXT NOT NULL,
    celsius REAL NOT NULL
);

CREATE TABLE simulated_probe (
    probe_id INTEGER PRIMARY KEY REFERENCES probe (id),
    batch_id INTEGER NOT NULL,
    began TEXT NOT NULL,
    litres REAL NOT NULL,
    power_w REAL NOT NULL,
    loss_w_per_k REAL NOT NULL,
    room_c REAL NOT NULL,
    start_c REAL NOT NULL,
    set_c REAL NOT NULL,
    fault TEXT NOT NULL,
    fault_at_s REAL NOT NULL
);

CREATE TABLE simulated_bottle (
    id INTEGER PRIMARY KEY,
    probe_id INTEGER NOT NULL REFERENCES simulated_probe (probe_id),
    litres REAL NOT NULL,
    w_per_k REAL NOT NULL,
    start_c REAL NOT NULL
);

-- Loads that a member has planned for an evening, and those that were begun, or dropped.

CREATE TABLE evening_load (
    id INTEGER PRIMARY KEY,
    member_id INTEGER NOT NULL REFERENCES member (id),
    batch_id INTEGER NOT NULL,
    body TEXT NOT NULL CHECK (json_valid(body)),
    planned_at TEXT NOT NULL
);

CREATE TABLE evening_load_over (
    load_id INTEGER PRIMARY KEY REFERENCES evening_load (id),
    started INTEGER REFERENCES log_entry (sequence),
    at TEXT NOT NULL
);

-- Practice, as it was confirmed, and what stewards signed off.

CREATE TABLE practice (
    id INTEGER PRIMARY KEY,
    member_id INTEGER NOT NULL REFERENCES member (id),
    leaflet_id INTEGER NOT NULL,
    movement TEXT NOT NULL,
    speed INTEGER NOT NULL,
    fault TEXT NOT NULL,
    events TEXT NOT NULL,
    at TEXT NOT NULL
);

CREATE TABLE sign_off (
    id INTEGER PRIMARY KEY,
    member_id INTEGER NOT NULL REFERENCES member (id),
    kind TEXT NOT NULL CHECK (kind IN ('PRACTICE', 'FIRST_RUN')),
    practice_id INTEGER REFERENCES practice (id),
    run INTEGER REFERENCES log_entry (sequence),
    steward_id INTEGER NOT NULL REFERENCES member (id),
    at TEXT NOT NULL
);

CREATE INDEX probe_reading_by_time ON probe_reading (probe_id, at);

-- A row is voided once.

CREATE UNIQUE INDEX log_entry_voided_once ON log_entry (json_extract(body, '$.voided')) WHERE kind = 'entry-voided';

-- What was written down is never changed.

CREATE TRIGGER leaflet_version_no_update BEFORE UPDATE ON leaflet_version BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER leaflet_version_no_delete BEFORE DELETE ON leaflet_version BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER log_entry_no_update BEFORE UPDATE ON log_entry BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER log_entry_no_delete BEFORE DELETE ON log_entry BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
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
CREATE TRIGGER leaflet_offered_no_update BEFORE UPDATE ON leaflet_offered BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER leaflet_offered_no_delete BEFORE DELETE ON leaflet_offered BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER school_chosen_no_update BEFORE UPDATE ON school_chosen BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER school_chosen_no_delete BEFORE DELETE ON school_chosen BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER place_reading_no_update BEFORE UPDATE ON place_reading BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER place_reading_no_delete BEFORE DELETE ON place_reading BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER look_photo_no_update BEFORE UPDATE ON look_photo BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER look_photo_no_delete BEFORE DELETE ON look_photo BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_limit_no_update BEFORE UPDATE ON house_limit BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_limit_no_delete BEFORE DELETE ON house_limit BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER stand_in_no_update BEFORE UPDATE ON stand_in BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER stand_in_no_delete BEFORE DELETE ON stand_in BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_way_no_update BEFORE UPDATE ON run_way BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_way_no_delete BEFORE DELETE ON run_way BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_way_no_update BEFORE UPDATE ON house_way BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_way_no_delete BEFORE DELETE ON house_way BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_event_no_update BEFORE UPDATE ON run_event BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER run_event_no_delete BEFORE DELETE ON run_event BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_tub_no_update BEFORE UPDATE ON house_tub BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER house_tub_no_delete BEFORE DELETE ON house_tub BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER bottle_warmth_no_update BEFORE UPDATE ON bottle_warmth BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER bottle_warmth_no_delete BEFORE DELETE ON bottle_warmth BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER probe_reading_no_update BEFORE UPDATE ON probe_reading BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER probe_reading_no_delete BEFORE DELETE ON probe_reading BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER practice_no_update BEFORE UPDATE ON practice BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER practice_no_delete BEFORE DELETE ON practice BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER sign_off_no_update BEFORE UPDATE ON sign_off BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
CREATE TRIGGER sign_off_no_delete BEFORE DELETE ON sign_off BEGIN SELECT RAISE(ABORT, 'rows of the log are only ever added'); END;
