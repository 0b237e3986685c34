-- Columns of the table bear the names of the fields they show: saved views follow.
UPDATE saved_view SET spec = REPLACE(REPLACE(REPLACE(spec,
  '"quarantine"', '"quarantine_until"'), '"sure"', '"name_sure"'), '"names"', '"other_names"');
