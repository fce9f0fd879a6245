-- How long film hangs until it is dry: two hours in a room, less in a drying cabinet. And who wants their own film judged
-- carefully, whatever the house does.

ALTER TABLE house ADD COLUMN dry_minutes INTEGER NOT NULL DEFAULT 120;
ALTER TABLE member ADD COLUMN careful INTEGER NOT NULL DEFAULT 0 CHECK (careful IN (0, 1));
