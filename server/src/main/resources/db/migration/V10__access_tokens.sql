-- what commands and pipelines work on a workspace with; a token does nothing once whoever made it is no architect any more
CREATE TABLE access_token (
  id BIGINT PRIMARY KEY, workspace_id BIGINT NOT NULL, account_id BIGINT NOT NULL, name VARCHAR(60) NOT NULL,
  scopes VARCHAR(100) CHARACTER SET ascii NOT NULL, secret_hash CHAR(64) CHARACTER SET ascii NOT NULL UNIQUE,
  created_at DATETIME(3) NOT NULL, used_at DATETIME(3) NULL, expires_at DATETIME(3) NULL,
  UNIQUE KEY by_name (workspace_id, name),
  FOREIGN KEY (workspace_id) REFERENCES workspace (id) ON DELETE CASCADE,
  FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE);
