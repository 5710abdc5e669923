package org.jontrel.site.record;

import org.jontrel.site.record.write.SaveResult;

/** Undoes a transaction in which one of many records was refused. */
final class RolledBackException extends RuntimeException {
    final transient SaveResult saved;

    RolledBackException(SaveResult saved) {
        this.saved = saved;
    }
}
