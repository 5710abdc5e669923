package org.jontrel.standalone;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import picocli.CommandLine.Option;

/** Where the database of a site is, and who reads and writes it. */
final class DatabaseOptions {
    @Option(
            names = "--database",
            paramLabel = "URL",
            description =
                    "The site's own database, such as jdbc:mariadb://127.0.0.1:3306/towpath. Default: the variable"
                            + " JONTREL_DB_URL",
            defaultValue = "${env:JONTREL_DB_URL}")
    private String url;

    @Option(
            names = "--database-user",
            paramLabel = "NAME",
            description = "Default: the variable JONTREL_DB_USER, or jontrel",
            defaultValue = "${env:JONTREL_DB_USER:-jontrel}")
    private String user;

    @Option(
            names = "--password-file",
            paramLabel = "FILE",
            description =
                    "Where the user's password is. Default: the variable JONTREL_DB_PASSWORD_FILE; else the password is"
                            + " that of JONTREL_DB_PASSWORD",
            defaultValue = "${env:JONTREL_DB_PASSWORD_FILE}")
    private Path passwordFile;

    /** @throws IOException where none was named */
    DataSourceProperties database() throws IOException {
        if (url == null || url.isBlank()) {
            throw new IOException("No database was named. Give the address of the site's own with --database, or in the"
                    + " variable JONTREL_DB_URL.");
        }
        var database = new DataSourceProperties();
        database.setUrl(url);
        database.setUsername(user);
        database.setPassword(password());
        return database;
    }

    /** Never an argument, as everybody on a machine sees those. */
    private String password() throws IOException {
        if (passwordFile == null) {
            return System.getenv().getOrDefault("JONTREL_DB_PASSWORD", "");
        }
        if (!Files.isReadable(passwordFile)) {
            throw new IOException("There is no file that can be read at " + passwordFile + ".");
        }
        return Files.readString(passwordFile).strip();
    }
}
