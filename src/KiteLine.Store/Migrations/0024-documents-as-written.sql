-- Documents by their numbers as they are compared with what payers write, letters and digits in capitals: those of letters and
-- digits alone as they stand, those with marks between them without these, and the few with other characters one by one.
CREATE INDEX document_number ON document (number COLLATE NOCASE);
CREATE INDEX document_marked ON document (upper(replace(replace(replace(replace(replace(number, ' ', ''), '-', ''), '/', ''), '.', ''), '_', '')))
    WHERE number GLOB '*[-. /_]*';
CREATE INDEX document_otherwise ON document (id) WHERE number GLOB '*[^-A-Za-z0-9 ./_]*';

-- How many accounts there are in a currency, and how often they were changed: by it is seen whether their names are as before.
CREATE INDEX account_versions ON account (currency, version);
