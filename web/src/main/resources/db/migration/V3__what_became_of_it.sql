-- What became of a kit that a member proposed, so that whoever answers second hears it; and from where an account signed in,
-- hashed, so that wrong passwords from elsewhere do not keep its member out.

ALTER TABLE kit_proposal ADD COLUMN became TEXT NOT NULL DEFAULT '';
ALTER TABLE sign_in ADD COLUMN address_hash TEXT NOT NULL DEFAULT '';

CREATE INDEX sign_in_from ON sign_in (member_id, address_hash);
