-- copies of sites on which plans are rehearsed, and what came of it
ALTER TABLE site ADD COLUMN copy_of VARCHAR(40) NULL;
CREATE TABLE rehearsal (
  id BIGINT PRIMARY KEY, site_path VARCHAR(40) NOT NULL, version VARCHAR(64) NOT NULL, state VARCHAR(16) NOT NULL,
  by_whom VARCHAR(100) NOT NULL, copy_path VARCHAR(40) NULL, rows_copied BIGINT NOT NULL DEFAULT 0,
  rows_expected BIGINT NOT NULL DEFAULT 0, message TEXT NULL, report LONGTEXT NULL, started_at DATETIME(3) NOT NULL,
  finished_at DATETIME(3) NULL, beat_at DATETIME(3) NOT NULL, KEY site (site_path));
