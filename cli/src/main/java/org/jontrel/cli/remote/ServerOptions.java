package org.jontrel.cli.remote;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Option;

/** Which server, and with what token: never on the command line, where others see it and the shell keeps it. */
final class ServerOptions {
    @Option(
            names = "--server",
            paramLabel = "URL",
            description = "Address of the server; else that of the variable JONTREL_SERVER.")
    private String address;

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

    /** The address is never taken from a folder: whoever made that would be sent the token. */
    RemoteServer connect(PrintWriter err) throws IOException {
        var given = Optional.ofNullable(address)
                .or(() -> variable("JONTREL_SERVER"))
                .orElseThrow(() -> new IOException("Which server? Give --server, or set JONTREL_SERVER."));
        var from = Optional.ofNullable(file)
                .or(() -> variable("JONTREL_TOKEN_FILE").map(Path::of));
        var token = from.isPresent()
                ? Connections.token(from.get(), err)
                : variable("JONTREL_TOKEN")
                        .orElseThrow(
                                () -> new IOException("With what token? Put it into a file and give --token-file, or"
                                        + " set JONTREL_TOKEN. An architect makes tokens on the page Releases."));
        return new RemoteServer(Connections.address(given, plain), token);
    }

    private static Optional<String> variable(String name) {
        return Optional.ofNullable(System.getenv(name)).map(String::strip).filter(value -> !value.isEmpty());
    }
}
