-- one edit may change several definitions: one row each, with one number
ALTER TABLE draft_edit DROP PRIMARY KEY, ADD PRIMARY KEY (workspace_id, seq, definition_id);
-- who looks at which definition; rows older than some seconds mean nothing
CREATE TABLE presence (
  workspace_id BIGINT NOT NULL, visit VARCHAR(40) NOT NULL, name VARCHAR(100) NOT NULL, definition_id VARCHAR(40) NOT NULL,
  seen_at DATETIME(3) NOT NULL, PRIMARY KEY (workspace_id, visit));
