-- A mix goes in the order of use, by the coolest water first, or by the warmest; those from before keep their own column.

ALTER TABLE mix_begun ADD COLUMN mix_order TEXT NOT NULL DEFAULT 'AS_USED'
    CHECK (mix_order IN ('AS_USED', 'COOLEST_FIRST', 'WARMEST_FIRST'));
