CREATE INDEX journal_by_subject ON journal (subject, id);
