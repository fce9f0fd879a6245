-- Sign-ins that outlive a restart, for an evening. The names are those that Spring Security asks for.

CREATE TABLE persistent_logins (
    username  TEXT NOT NULL,
    series    TEXT PRIMARY KEY,
    token     TEXT NOT NULL,
    last_used TIMESTAMP NOT NULL
);
