-- what workbooks were seen to hold, and what somebody chose for the model that is proposed for them
CREATE TABLE workbook (
  id BIGINT PRIMARY KEY AUTO_INCREMENT, workspace_id BIGINT NOT NULL, name VARCHAR(255) NOT NULL, by_whom VARCHAR(100) NOT NULL,
  facts LONGTEXT NOT NULL, findings MEDIUMTEXT NOT NULL, choices LONGTEXT NOT NULL,
  chosen INT NOT NULL DEFAULT 0, read_at DATETIME(3) NOT NULL,
  taken_at DATETIME(3) NULL, KEY by_time (read_at),
  FOREIGN KEY (workspace_id) REFERENCES workspace (id) ON DELETE CASCADE);
