-- Columns of the table bear the names of the fields they show: saved views follow.
UPDATE saved_view SET spec = REPLACE(REPLACE(REPLACE(spec,
  '"quarantine"', '"quarantine_until"'), '"sure"', '"name_sure"'), '"names"', '"other_names"');

-- A lamp may be told to a tenth, as a garden file has it.
ALTER TABLE place MODIFY lamp_ppfd_umol_m2_s DECIMAL(5,1) UNSIGNED NULL;
