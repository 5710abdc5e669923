-- the release of another installation that was taken in last, by the name of its package: what the next one is compared with
CREATE TABLE arrived_package (
  workspace_id BIGINT NOT NULL, name VARCHAR(100) NOT NULL, version VARCHAR(64) NOT NULL, content LONGBLOB NOT NULL,
  arrived_at DATETIME(3) NOT NULL, PRIMARY KEY (workspace_id, name),
  FOREIGN KEY (workspace_id) REFERENCES workspace (id) ON DELETE CASCADE);
