-- Removed pages wait in the bin, as tables do.
alter table page add column removed_at timestamptz;
