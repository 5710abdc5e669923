package org.jontrel.cli.remote;

import java.io.IOException;
import java.io.PrintWriter;
import java.net.InetAddress;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Option;

/** Which server, and with what token: never on the command line, where others see it and the shell keeps it. */
final class ServerOptions {
    private static final Set<PosixFilePermission> OTHERS =
            Set.of(PosixFilePermission.GROUP_READ, PosixFilePermission.OTHERS_READ);

    @Option(
            names = "--server",
            paramLabel = "URL",
            description =
                    "Address of the server; else that of the variable JONTREL_SERVER, else the one that the folder was"
                            + " pulled from.")
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

    /** @param remembered address from an earlier command in the same folder */
    RemoteServer connect(Optional<String> remembered, PrintWriter err) throws IOException {
        var given = Optional.ofNullable(address)
                .or(() -> variable("JONTREL_SERVER"))
                .or(() -> remembered)
                .orElseThrow(() -> new IOException("Which server? Give --server, or set JONTREL_SERVER."));
        var uri = uri(given);
        return new RemoteServer(uri, token(err));
    }

    private URI uri(String given) throws IOException {
        URI uri;
        try {
            uri = URI.create(given.endsWith("/") ? given : given + "/");
        } catch (IllegalArgumentException _) {
            throw new IOException(given + " is no address. Give one such as https://models.example.org.");
        }
        if (uri.getHost() == null || !List.of("http", "https").contains(uri.getScheme())) {
            throw new IOException(given + " is no address of a server. Give one such as https://models.example.org.");
        }
        if (uri.getScheme().equals("http") && !plain && !isHere(uri.getHost())) {
            throw new IOException("The token would go to " + uri.getHost()
                    + " over plain HTTP, where everybody on the way" + " reads it. Use https, or say --plain-http.");
        }
        return uri;
    }

    private static boolean isHere(String host) {
        try {
            return InetAddress.getByName(host).isLoopbackAddress();
        } catch (IOException _) {
            return false;
        }
    }

    private String token(PrintWriter err) throws IOException {
        var from = Optional.ofNullable(file)
                .or(() -> variable("JONTREL_TOKEN_FILE").map(Path::of));
        if (from.isEmpty()) {
            return variable("JONTREL_TOKEN")
                    .orElseThrow(
                            () -> new IOException("With what token? Put it into a file and give --token-file, or set"
                                    + " JONTREL_TOKEN. An architect makes tokens on the page Releases."));
        }
        var token = Files.readString(from.get()).strip();
        if (token.isEmpty() || token.chars().anyMatch(sign -> sign <= ' ' || sign > '~')) {
            throw new IOException("There is no token in " + from.get() + ": it must have one line, the token alone.");
        }
        if (Files.getFileStore(from.get()).supportsFileAttributeView("posix")
                && Files.getPosixFilePermissions(from.get()).stream().anyMatch(OTHERS::contains)) {
            err.println("Others can read " + from.get() + ", which has a token. Take their right away: chmod 600.");
        }
        return token;
    }

    private static Optional<String> variable(String name) {
        return Optional.ofNullable(System.getenv(name)).map(String::strip).filter(value -> !value.isEmpty());
    }
}
