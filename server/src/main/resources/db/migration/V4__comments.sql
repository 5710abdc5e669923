-- comments of the definitions' files, as JSON by the id of what each stands at; drafts have theirs behind the definition
ALTER TABLE model_release ADD COLUMN comments LONGTEXT NULL AFTER model;
