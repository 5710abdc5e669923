package org.jontrel.cli.remote;

import java.io.IOException;
import java.io.PrintWriter;
import java.net.InetAddress;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.List;
import java.util.Set;

/** Addresses and tokens as people give them. */
final class Connections {
    private static final Set<PosixFilePermission> OTHERS =
            Set.of(PosixFilePermission.GROUP_READ, PosixFilePermission.OTHERS_READ);

    private Connections() {}

    /** @param plain whether a token may go over plain HTTP to another machine */
    static URI address(String given, boolean plain) throws IOException {
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
                    + " over plain HTTP, where everybody on the way reads it. Use https, or say --plain-http.");
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

    static String token(Path file, PrintWriter err) throws IOException {
        var token = Files.readString(file).strip();
        if (token.isEmpty() || token.chars().anyMatch(sign -> sign <= ' ' || sign > '~')) {
            throw new IOException("There is no token in " + file + ": it must have one line, the token alone.");
        }
        if (Files.getFileStore(file).supportsFileAttributeView("posix")
                && Files.getPosixFilePermissions(file).stream().anyMatch(OTHERS::contains)) {
            err.println("Others can read " + file + ", which has a token. Take their right away: chmod 600.");
        }
        return token;
    }
}
