package org.jontrel.cli.remote;

import java.io.IOException;
import java.io.PrintWriter;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** Follows a run, and those that go on where it ends, until the site is where it was to go. */
final class RunWatch {
    private static final Duration PAUSE = Duration.ofMillis(300);
    /** After which nothing follows on a run that has ended. */
    private static final Duration NEXT_WITHIN = Duration.ofSeconds(20);
    /** After which nobody continues a run that was interrupted. */
    private static final Duration CONTINUED_WITHIN = Duration.ofMinutes(1);
    /** After which it is said that the server does not answer. */
    private static final int MOST_FAILURES = 20;

    private final RemoteServer server;
    private final String runs;
    private final PrintWriter out;
    private final PrintWriter err;
    private final Set<String> told = new HashSet<>();

    RunWatch(RemoteServer server, String runs, PrintWriter out, PrintWriter err) {
        this.server = server;
        this.runs = runs;
        this.out = out;
        this.err = err;
    }

    /** @return the exit code */
    int follow(JsonNode started, String target) throws IOException {
        var id = started.get("id").asString();
        long endedAt = 0;
        long interruptedAt = 0;
        while (true) {
            var run = look(id);
            tell(run);
            switch (run.get("state").asString()) {
                case "running" -> {
                    endedAt = 0;
                    interruptedAt = 0;
                }
                case "interrupted" -> {
                    // a server that was restarted goes on with it by itself
                    interruptedAt = interruptedAt == 0 ? System.nanoTime() : interruptedAt;
                    if (System.nanoTime() - interruptedAt > CONTINUED_WITHIN.toNanos()) {
                        return stopped(run);
                    }
                }
                case "done" -> {
                    if (run.get("toVersion").asString().equals(target)) {
                        run.get("findings").forEach(finding -> err.println(finding.asString()));
                        out.println(target.isEmpty() ? "Done: the site is empty again." : "Done: " + target + ".");
                        return 0;
                    }
                    var next = newest();
                    if (!next.equals(id)) {
                        id = next;
                    } else if (endedAt == 0) {
                        endedAt = System.nanoTime();
                    } else if (System.nanoTime() - endedAt > NEXT_WITHIN.toNanos()) {
                        err.println(
                                "jontrel: It ended at " + run.get("toVersion").asString() + ", on the way to " + target
                                        + ". Plan again: the next release on the way may ask something.");
                        return 1;
                    }
                }
                default -> {
                    return stopped(run);
                }
            }
            pause();
        }
    }

    private int stopped(JsonNode run) {
        var reason = run.hasNonNull("message") ? ": " + run.get("message").asString() : "";
        err.println("jontrel: The run stopped (" + run.get("state").asString() + ")" + reason
                + ". Continue it or roll it back on the page of the site.");
        return 1;
    }

    private JsonNode look(String id) throws IOException {
        return patiently(server, runs + "/" + id);
    }

    /** What the server says, also where it is just being started again: it goes on with its work by itself. */
    static JsonNode patiently(RemoteServer server, String path) throws IOException {
        for (int failures = 1; ; failures++) {
            try {
                return server.get(path);
            } catch (RemoteException e) {
                boolean away = e.status() == 0 || e.status() >= 500;
                if (!away || failures == MOST_FAILURES) {
                    throw new RemoteException(
                            e.status(),
                            e.getMessage() + " The work goes on without this command; look at the page of the site.",
                            List.of());
                }
                pause();
            }
        }
    }

    private String newest() throws IOException {
        return server.get(runs).get(0).get("id").asString();
    }

    private void tell(JsonNode run) {
        int all = run.get("steps").size();
        for (var step : run.get("steps")) {
            boolean done = step.get("state").asString().equals("done");
            if (done
                    && told.add(run.get("id").asString() + "/" + step.get("seq").asString())) {
                out.println("[" + (step.get("seq").asInt() + 1) + "/" + all + "] "
                        + step.get("sentence").asString());
            }
        }
    }

    static void pause() throws IOException {
        try {
            Thread.sleep(PAUSE);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Interrupted. The work goes on without this command.", e);
        }
    }
}
