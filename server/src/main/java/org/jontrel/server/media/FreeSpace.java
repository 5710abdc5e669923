package org.jontrel.server.media;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.web.Settings;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Whether there is room for uploads on the disk that they go to, as far as this machine can see it. */
@Component
public class FreeSpace {
    private final Optional<Path> folder;
    private final long least;

    FreeSpace(Settings settings, JdbcTemplate database) {
        this.least = settings.leastFreeMegabytes() << 20;
        this.folder = settings.mediaFolder().isBlank()
                ? Optional.ofNullable(database.queryForObject("SELECT @@datadir", String.class))
                        .map(Path::of)
                        .filter(Files::isDirectory)
                : Optional.of(Path.of(settings.mediaFolder()));
    }

    /** A disk that runs full stops the database for everybody, so uploads stop before. */
    public void check(long bytes) {
        try {
            if (folder.isPresent()
                    && Files.isDirectory(folder.get())
                    && Files.getFileStore(folder.get()).getUsableSpace() - bytes < least) {
                throw Refusal.full("There is too little room left on the server's disk for uploads."
                        + " Whoever runs the server needs to make room.");
            }
        } catch (IOException _) {
            // nothing is known of the disk
        }
    }
}
