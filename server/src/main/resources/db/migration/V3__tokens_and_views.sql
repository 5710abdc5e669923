-- what programs write with: only a hash of the secret is kept
CREATE TABLE api_token (
  id BIGINT PRIMARY KEY, site_path VARCHAR(40) NOT NULL, name VARCHAR(100) NOT NULL, role VARCHAR(16) NOT NULL,
  secret_hash CHAR(64) CHARACTER SET ascii NOT NULL UNIQUE, created_at DATETIME(3) NOT NULL, created_by VARCHAR(100) NOT NULL,
  used_at DATETIME(3) NULL, UNIQUE KEY by_name (site_path, name));
-- lists of records as people have arranged them
CREATE TABLE list_view (
  site_path VARCHAR(40) NOT NULL, holder_id VARCHAR(40) NOT NULL, name VARCHAR(100) NOT NULL, content TEXT NOT NULL,
  by_whom VARCHAR(100) NOT NULL, saved_at DATETIME(3) NOT NULL, PRIMARY KEY (site_path, holder_id, name));
