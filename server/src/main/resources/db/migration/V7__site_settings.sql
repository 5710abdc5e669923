-- the look of a site, the address that visitors know it by, and whether search engines are asked to leave it out
ALTER TABLE site
  ADD COLUMN look VARCHAR(40) NOT NULL DEFAULT '',
  ADD COLUMN address VARCHAR(500) NOT NULL DEFAULT '',
  ADD COLUMN unlisted BOOLEAN NOT NULL DEFAULT FALSE;
