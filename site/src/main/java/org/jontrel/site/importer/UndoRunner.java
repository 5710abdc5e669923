package org.jontrel.site.importer;

/** Undoes one import, from wherever it was left. */
record UndoRunner(ImportSteps steps, long id) {
    void undo(String from) {
        if (from.equals(ImportUndo.MARK)) {
            steps.writing((connection, binding, mapper, work) -> {
                new ImportUndo(connection, binding, work).marks().mark();
                mapper.phase(id, ImportUndo.RESTORE);
                return null;
            });
        }
        if (!from.equals(ImportUndo.REMOVE)) {
            some(true);
            steps.writing((connection, binding, mapper, work) -> {
                // what could not become what it was may lead to what was to go
                new ImportUndo(connection, binding, work).marks().led();
                mapper.phase(id, ImportUndo.REMOVE);
                return null;
            });
        }
        some(false);
    }

    private void some(boolean restores) {
        int more = 1;
        while (more > 0) {
            more = steps.writing((connection, binding, mapper, work) -> {
                var undo = new ImportUndo(connection, binding, work);
                int done = restores ? undo.restore() : undo.remove();
                mapper.reached(id, 0, 0, 0, done);
                return done;
            });
        }
    }
}
