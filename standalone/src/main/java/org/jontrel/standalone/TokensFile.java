package org.jontrel.standalone;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.serve.site.SiteTokens;
import org.jontrel.serve.web.Secrets;

/**
 * The tokens of a site in a file: a line each, with the SHA-256 of the secret, what it may ({@code read} or {@code write}), and its
 * name. Lines that begin with {@code #} are for people.
 */
final class TokensFile implements SiteTokens {
    private static final Pattern LINE = Pattern.compile("([0-9a-f]{64})\\s+(read|write)\\s+(\\S.{0,99})");
    private final Path file;
    private volatile Map<String, SiteToken> tokens = Map.of();

    /** @param file {@code null} where there are none */
    TokensFile(Path file) {
        this.file = file;
    }

    /** @throws IOException with a sentence where the file cannot be used; what was read before holds then */
    void read() throws IOException {
        if (file == null) {
            return;
        }
        if (!Files.isRegularFile(file)) {
            throw new IOException("There is no file of tokens at " + file + ".");
        }
        var read = new HashMap<String, SiteToken>();
        var names = new HashSet<String>();
        var lines = Files.readAllLines(file);
        for (int i = 0; i < lines.size(); i++) {
            var line = lines.get(i).strip();
            if (line.isEmpty() || line.startsWith("#")) {
                continue;
            }
            var parts = LINE.matcher(line);
            if (!parts.matches()) {
                throw new IOException(file + ", line " + (i + 1) + ": a token is 64 hexadecimal digits, read or write,"
                        + " and a name of up to 100 characters. The command token writes such lines.");
            }
            if (!names.add(parts.group(3))) {
                throw new IOException(file + ", line " + (i + 1) + ": there is another token named " + parts.group(3)
                        + ". Each needs a name of its own.");
            }
            read.put(
                    parts.group(1),
                    new SiteToken(i + 1L, parts.group(3), parts.group(2).equals("write")));
        }
        tokens = Map.copyOf(read);
    }

    @Override
    public Optional<SiteToken> find(String site, String secret) {
        return Optional.ofNullable(tokens.get(Secrets.hash(secret)));
    }

    static String line(String secret, String name, boolean writes) {
        return Secrets.hash(secret) + (writes ? " write " : " read ") + name;
    }
}
