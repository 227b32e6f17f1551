-- Documents by their numbers as they are compared with what payers write, letters and digits in capitals: those of letters and
-- digits alone as they stand, those with marks between them without these; the few with other characters have their index.
-- Books of some versions have a part of this already.
DROP INDEX IF EXISTS document_as_written;
CREATE INDEX IF NOT EXISTS document_number ON document (number COLLATE NOCASE);
CREATE INDEX IF NOT EXISTS document_marked ON document (upper(replace(replace(replace(replace(replace(number, ' ', ''), '-', ''), '/', ''), '.', ''), '_', '')))
    WHERE number GLOB '*[-. /_]*';

-- How many accounts there are in a currency, and how often they were changed: by it is seen whether their names are as before.
CREATE INDEX IF NOT EXISTS account_versions ON account (currency, version);
