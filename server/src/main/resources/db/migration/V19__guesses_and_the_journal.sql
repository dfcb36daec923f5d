-- Guesses are counted in memory, for names that nobody has as well.
ALTER TABLE account DROP COLUMN failures;
ALTER TABLE account DROP COLUMN locked_until;
-- A row of the journal is not put in the place of another either.
CREATE TRIGGER journal_is_append_only_replace BEFORE INSERT ON journal
WHEN EXISTS (SELECT 1 FROM journal WHERE id = NEW.id)
BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
