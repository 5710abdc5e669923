-- what single values become that could not be taken over as they are, as JSON
ALTER TABLE decision ADD COLUMN corrections MEDIUMTEXT NOT NULL DEFAULT '[]' AFTER value;
