package org.jontrel.e2e.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jontrel.cli.Main;
import org.jontrel.demo.Client;
import tools.jackson.databind.json.JsonMapper;

/** Somebody at a command line, with a token for a workspace. */
final class Terminal {
    private final String server;
    private final Path token;

    Terminal(String server, String secret) throws IOException {
        this.server = server;
        token = Files.createTempFile(
                "token", "", PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(token, secret + "\n");
    }

    /** With a new token. @param scopes what it may do besides reading */
    static Terminal of(Client architect, String server, String workspace, String name, List<String> scopes)
            throws IOException {
        var made = architect.post(
                "/api/workspaces/" + workspace + "/access-tokens", Map.of("name", name, "scopes", scopes));
        return new Terminal(server, made.get("secret").asString());
    }

    /** What somebody at the desk changes meanwhile: a label of the only type in the draft. */
    static void relabel(Client architect, String workspace, String from, String to) {
        var draft = "/api/workspaces/" + workspace + "/draft";
        var drafted = architect.get(draft).at("/definitions/0");
        var text = drafted.get("definition").toString().replace("\"" + from + "\"", "\"" + to + "\"");
        architect.put(
                draft + "/definitions/" + drafted.at("/definition/id").asString(),
                Map.of(
                        "sort",
                        "type",
                        "base",
                        drafted.get("revision").asLong(),
                        "definition",
                        JsonMapper.shared().readTree(text)));
    }

    /** What came of a command. */
    record CommandOutcome(int code, String out, String err) {
        CommandOutcome ended(int expected) {
            if (code != expected) {
                throw new AssertionError("exit code " + code + ", not " + expected + "\n" + out + err);
            }
            return this;
        }
    }

    CommandOutcome run(Object... arguments) {
        var texts =
                new ArrayList<>(Arrays.stream(arguments).map(String::valueOf).toList());
        texts.addAll(List.of("--server", server, "--token-file", token.toString()));
        return plain(texts.toArray());
    }

    /** A command in a process of its own, which may be killed. @param log what it says */
    Process started(Path log, Object... arguments) throws IOException {
        var command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Xshare:auto",
                "-cp",
                System.getProperty("java.class.path"),
                Main.class.getName()));
        Arrays.stream(arguments).map(String::valueOf).forEach(command::add);
        command.addAll(List.of("--server", server, "--token-file", token.toString()));
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
    }

    Path token() {
        return token;
    }

    /** A command without a server. */
    static CommandOutcome plain(Object... arguments) {
        var out = new StringWriter();
        var err = new StringWriter();
        int code = Main.run(
                new PrintWriter(out, true),
                new PrintWriter(err, true),
                Arrays.stream(arguments).map(String::valueOf).toArray(String[]::new));
        return new CommandOutcome(code, out.toString(), err.toString());
    }
}
