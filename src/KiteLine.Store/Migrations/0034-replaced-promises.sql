-- A promise is withdrawn by itself, or since a later one that names it takes its place.
ALTER TABLE promise_withdrawn ADD COLUMN replaced_by INTEGER REFERENCES promise;
