-- accounts can be disabled and get a new password by a link; names that look alike are one
ALTER TABLE account
  ADD COLUMN disabled TINYINT(1) NOT NULL DEFAULT 0,
  ADD COLUMN skeleton VARCHAR(400) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL UNIQUE,
  ADD COLUMN reset_hash CHAR(64) CHARACTER SET ascii NULL UNIQUE,
  ADD COLUMN reset_until DATETIME(3) NULL;
-- wrong tries are counted in memory
DROP TABLE sign_in_failure;
ALTER TABLE api_token ADD COLUMN expires_at DATETIME(3) NULL;
-- who did what that matters for safety, and from where
CREATE TABLE trail (
  id BIGINT PRIMARY KEY, at DATETIME(3) NOT NULL, who VARCHAR(100) NOT NULL, address VARCHAR(64) NOT NULL,
  act VARCHAR(32) CHARACTER SET ascii NOT NULL, about VARCHAR(300) NOT NULL,
  KEY by_act (act, at), KEY by_who (who, act, address));
