package org.jontrel.cli.remote;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Option;

/** With what token a server is asked: never on the command line, where others see it and the shell keeps it. */
public final class TokenOptions {
    @Option(
            names = "--token-file",
            paramLabel = "FILE",
            description = "A file with the token; else that of the variable JONTREL_TOKEN_FILE, else the variable"
                    + " JONTREL_TOKEN is the token itself.")
    private Path file;

    @Option(
            names = "--plain-http",
            description =
                    "Send the token over plain HTTP, also to another machine, where everybody on the way reads it.")
    private boolean plain;

    /** @param address of a server, as somebody gave it */
    RemoteServer connect(String address, PrintWriter err) throws IOException {
        var from = Optional.ofNullable(file)
                .or(() -> variable("JONTREL_TOKEN_FILE").map(Path::of));
        var token = from.isPresent()
                ? Connections.token(from.get(), err)
                : variable("JONTREL_TOKEN")
                        .orElseThrow(
                                () -> new IOException("With what token? Put it into a file and give --token-file, or"
                                        + " set JONTREL_TOKEN. An architect makes tokens on the page Releases."));
        return new RemoteServer(Connections.address(address, plain), token);
    }

    /** @throws IOException where the server does not answer, or refuses the token */
    public RemoteShelf shelf(String address, PrintWriter err) throws IOException {
        return new RemoteShelf(connect(address, err));
    }

    static Optional<String> variable(String name) {
        return Optional.ofNullable(System.getenv(name)).map(String::strip).filter(value -> !value.isEmpty());
    }
}
