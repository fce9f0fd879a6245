-- When the evenings of a house are over, as 22:30: the queue plans no load beyond it.

ALTER TABLE house ADD COLUMN evening_ends TEXT;
