package org.jontrel.cli.remote;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.Optional;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Which server, and with what token: never on the command line, where others see it and the shell keeps it. */
final class ServerOptions {
    @Option(
            names = "--server",
            paramLabel = "URL",
            description = "Address of the server; else that of the variable JONTREL_SERVER.")
    private String address;

    @Mixin
    private TokenOptions token;

    /** The address is never taken from a folder: whoever made that would be sent the token. */
    RemoteServer connect(PrintWriter err) throws IOException {
        var given = Optional.ofNullable(address)
                .or(() -> TokenOptions.variable("JONTREL_SERVER"))
                .orElseThrow(() -> new IOException("Which server? Give --server, or set JONTREL_SERVER."));
        return token.connect(given, err);
    }
}
