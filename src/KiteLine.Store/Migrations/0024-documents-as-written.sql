-- Documents by their numbers as they are compared with what payers write: letters and digits in capitals. Numbers with
-- other characters between them are few, and stand in an index of their own.
CREATE INDEX document_as_written ON document (upper(replace(replace(replace(replace(replace(number, ' ', ''), '-', ''), '/', ''), '.', ''), '_', '')));
CREATE INDEX document_otherwise ON document (id) WHERE number GLOB '*[^-A-Za-z0-9 ./_]*';
