package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Code is made into a folder, or nothing is written and why is said. */
public class GenerateTest {
    private static final Path SEED_BANK = Path.of("../examples/seed-bank");
    private Path folder;

    @BeforeMethod
    public void start() throws IOException {
        folder = Files.createTempDirectory("generate");
    }

    @Test
    public void codeOfThePackageIsWritten() throws IOException {
        Files.writeString(folder.resolve("mine.ts"), "mine");
        Files.writeString(folder.resolve("model.ts"), "of another release");
        var made = CommandResult.run("generate", "typescript", SEED_BANK, "-o", folder);
        assertEquals(made.code(), 0, made.err());
        assertTrue(made.out().contains("model.ts"), made.out());
        assertTrue(Files.readString(folder.resolve("model.ts")).contains("export interface Accession extends Stored"));
        assertEquals(Files.readString(folder.resolve("mine.ts")), "mine", "what others wrote stays");
        var before = Files.readString(folder.resolve("client.ts"));
        assertEquals(
                CommandResult.run("generate", "typescript", SEED_BANK, "-o", folder)
                        .code(),
                0);
        assertEquals(Files.readString(folder.resolve("client.ts")), before);
    }

    @Test
    public void schemasAreWritten() {
        var made = CommandResult.run("generate", "json-schema", SEED_BANK, "-o", folder.resolve("deep/schemas"));
        assertEquals(made.code(), 0, made.err());
        assertTrue(Files.exists(folder.resolve("deep/schemas/lots.schema.json")), made.out());
    }

    @Test
    public void whatCannotBeReleasedMakesNoCode() throws IOException {
        Files.createDirectories(folder.resolve("model/types"));
        Files.writeString(
                folder.resolve("model/package.yaml"), "format: 1\nname: broken\nversion: 1.0.0\ntitle: Broken\n");
        Files.writeString(
                folder.resolve("model/types/lock.yaml"), "key: lock\nsingular: Lock\nplural: Locks\npath: LOCKS!\n");
        var made = CommandResult.run("generate", "typescript", folder.resolve("model"), "-o", folder.resolve("out"));
        assertEquals(made.code(), 1, made.out());
        assertTrue(made.err().contains("types/lock.yaml"), made.err());
        assertFalse(Files.exists(folder.resolve("out")));
    }

    @Test
    public void aDatabaseOfAnEarlierReleaseIsBroughtOn() throws IOException {
        var later = folder.resolve("later");
        try (var files = Files.walk(SEED_BANK)) {
            for (var each : files.toList()) {
                Files.copy(each, later.resolve(SEED_BANK.relativize(each).toString()));
            }
        }
        var file = later.resolve("types/accession.yaml");
        Files.writeString(file, Files.readString(file).replace("{key: slope,", "{key: incline, was: slope,"));
        var out = folder.resolve("sql");
        var made = CommandResult.run("generate", "sql-postgresql", later, "--from", SEED_BANK, "-o", out);
        assertEquals(made.code(), 0, made.err());
        var script = Files.readString(out.resolve("migrate.sql"));
        assertTrue(script.contains("RENAME COLUMN \"slope\" TO \"incline\""), script);
        assertTrue(Files.exists(out.resolve("schema.sql")));
        var wrong = CommandResult.run("generate", "java", later, "--from", SEED_BANK, "-o", folder.resolve("java"));
        assertEquals(wrong.code(), 2);
        assertTrue(wrong.err().contains("Leave out --from."), wrong.err());
    }

    @Test
    public void unknownTargetsAreTold() {
        var wrong = CommandResult.run("generate", "cobol", SEED_BANK, "-o", folder);
        assertEquals(wrong.code(), 2);
        assertTrue(
                wrong.err()
                        .contains(
                                "Code cannot be made for cobol. Possible are: json-schema, openapi, graphql, typescript, java, python, sql-mariadb, sql-postgresql"),
                wrong.err());
        assertEquals(CommandResult.run("generate", "typescript", SEED_BANK).code(), 2, "where to write is not said");
    }
}
