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
        var types = steps.own((connection, binding, _, work) ->
                new ImportUndo(connection, binding, work).marks().types());
        for (var type : types) {
            long[] at = {0};
            while (at[0] >= 0) {
                at[0] = steps.writing((connection, binding, mapper, work) -> {
                    var undo = new ImportUndo(connection, binding, work);
                    mapper.reached(id, 0, 0, 0, ImportUndo.TOGETHER);
                    return restores ? undo.restore(type, at[0]) : undo.remove(type, at[0]);
                });
            }
        }
    }
}
