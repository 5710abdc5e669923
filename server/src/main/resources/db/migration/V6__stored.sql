-- what was stored of each definition and when, by its digest: edits that follow each other soon are one edit, and forget what
-- stood between them; a window that got no answer has to know what became of what it sent
CREATE TABLE draft_stored (
  workspace_id BIGINT NOT NULL, definition_id VARCHAR(40) NOT NULL, revision BIGINT NOT NULL,
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL, stored_at DATETIME(3) NOT NULL,
  PRIMARY KEY (workspace_id, definition_id, revision), KEY by_time (stored_at));
