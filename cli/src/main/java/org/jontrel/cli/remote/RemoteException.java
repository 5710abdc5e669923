package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.List;

/** A server refused, or cannot be reached. */
final class RemoteException extends IOException {
    private static final long serialVersionUID = 1;
    /** Exit code where what was sent has problems. */
    private static final int PROBLEMS = 1;

    private static final int UNUSABLE = 2;
    private final int status;
    private final transient List<String> findings;

    /** @param status of the answer; 0 for none @param findings lines of text, each with its place */
    RemoteException(int status, String sentence, List<String> findings) {
        super(sentence);
        this.status = status;
        this.findings = findings;
    }

    int status() {
        return status;
    }

    List<String> findings() {
        return findings;
    }

    int exitCode() {
        return status == RemoteServer.CONFLICT || status == RemoteServer.INVALID ? PROBLEMS : UNUSABLE;
    }
}
