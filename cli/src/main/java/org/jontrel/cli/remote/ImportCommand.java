package org.jontrel.cli.remote;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@Command(
        name = "import",
        mixinStandardHelpOptions = true,
        description = {
            "Brings the rows of workbooks (CSV, XLSX, ODS) onto a site as records. It tells what would become of each row, and"
                    + " with --run brings those that can be brought; what it brought can be undone.",
            "Exit code 1 where rows could not be brought, or the mapping cannot be carried out."
        })
public final class ImportCommand extends SiteCommand {
    private static final List<String> WORKING = List.of("trying", "running", "undoing");
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Parameters(index = "1..*", paramLabel = "FILE", description = "The files; none with --undo.")
    private List<Path> files = List.of();

    @Option(
            names = "--mapping",
            paramLabel = "NAME|FILE",
            description = "Where the rows go: a mapping that the site keeps, or a JSON file; else one is proposed.")
    private String mapping;

    @Option(names = "--keep", paramLabel = "NAME", description = "Keep the mapping with the site under this name.")
    private String keep;

    @Option(names = "--write", paramLabel = "FILE", description = "Write the mapping to a file.")
    private Path write;

    @Option(
            names = "--pictures",
            paramLabel = "FILE",
            description = "Pictures and files that cells name, or a ZIP file of them. May be given several times.")
    private List<Path> pictures = List.of();

    @Option(names = "--run", description = "Bring the rows; else they are only tried.")
    private boolean run;

    @Option(
            names = "--failed",
            paramLabel = "FILE",
            description = "Write the rows that cannot be brought to a workbook (.xlsx), with their reasons.")
    private Path failed;

    @Option(names = "--undo", paramLabel = "ID", description = "Take back what an import brought, by its number.")
    private Long undo;

    @Override
    int call(RemoteServer server, Access access, RemoteSite site) throws IOException {
        var imports = path(site) + "/imports";
        if (undo != null) {
            return undone(server, imports + "/" + undo);
        }
        if (files.isEmpty()) {
            throw new IOException("Name the files to bring.");
        }
        for (var file : Stream.concat(files.stream(), pictures.stream()).toList()) {
            if (!Files.isReadable(file)) {
                throw new IOException("There is no file " + file + " that can be read.");
            }
        }
        var details = sent(server, site, imports);
        var at = imports + "/" + details.at("/progress/id").asString();
        if (!pictures.isEmpty()) {
            var answer = server.uploadFiles(at + "/files", pictures);
            RemoteServer.lines(answer.get("refused")).forEach(line -> err().println(line));
        }
        said(server, site, details);
        if (details.get("findings")
                .valueStream()
                .anyMatch(each -> each.get("severity").asString().equals("blocker"))) {
            return 1;
        }
        server.post(at + (run ? "/run" : "/try"), null);
        var state = until(server, at, run ? "done" : "tried");
        var ended = server.get(at);
        if (!state) {
            err().println("jontrel: It stopped. "
                    + ended.at("/progress/message").asString());
            return 1;
        }
        return told(server, at, ended);
    }

    private JsonNode sent(RemoteServer server, RemoteSite site, String imports) throws IOException {
        boolean file = mapping != null && Files.isReadable(Path.of(mapping));
        var json = file ? Files.readString(Path.of(mapping)) : null;
        var named = mapping == null || file ? "" : "?mapping=" + encoded(mapping);
        var details = server.uploadFiles(imports + named, files);
        if (json == null) {
            return details;
        }
        var progress = details.get("progress");
        return server.put(
                imports + "/" + progress.get("id").asString() + "/mapping?revision="
                        + progress.get("revision").asString(),
                json);
    }

    private static String encoded(String name) {
        return URLEncoder.encode(name, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private void said(RemoteServer server, RemoteSite site, JsonNode details) throws IOException {
        RemoteServer.lines(details.get("files")).forEach(line -> err().println(line));
        RemoteServer.lines(details.get("findings")).forEach(line -> err().println(line));
        var json = JSON.writerWithDefaultPrettyPrinter().writeValueAsString(details.get("mapping"));
        if (write != null) {
            Files.writeString(write, json + "\n");
            out().println("Wrote the mapping to " + write + ".");
        }
        if (keep != null) {
            server.put(path(site) + "/mappings/" + encoded(keep), json);
            out().println("The site keeps the mapping as “" + keep + "”.");
        }
    }

    private int told(RemoteServer server, String at, JsonNode ended) throws IOException {
        long wrong = 0;
        for (var sheet : ended.get("sheets")) {
            var outcomes = sheet.get("outcomes");
            if (outcomes.isEmpty()) {
                out().println(sheet.get("name").asString() + ": left out");
                continue;
            }
            var line = new StringBuilder(sheet.get("name").asString()).append(':');
            outcomes.propertyStream()
                    .forEach(each -> line.append(' ')
                            .append(each.getValue().asString())
                            .append(' ')
                            .append(each.getKey())
                            .append(','));
            out().println(line.substring(0, line.length() - 1));
            wrong += outcomes.path("failed").asLong();
        }
        ended.get("problems")
                .forEach(each -> err().println(each.get("rows").asString()
                        + (each.get("rows").asLong() == 1 ? " row, row " : " rows, the first row ")
                        + each.get("row").asString() + ": "
                        + each.get("sentence").asString()));
        if (failed != null && wrong > 0) {
            server.save(at + "/failed.xlsx", failed);
            out().println("Wrote the rows that cannot be brought to " + failed + ".");
        }
        var number = ended.at("/progress/id").asString();
        out().println(
                        run
                                ? "Done. --undo " + number + " takes it back."
                                : "Nothing was brought: this was a trial. --run brings the rows.");
        return wrong > 0 ? 1 : 0;
    }

    private int undone(RemoteServer server, String at) throws IOException {
        var plan = server.get(at + "/undo-plan");
        server.post(at + "/undo", null);
        if (!until(server, at, "undone")) {
            err().println("jontrel: It stopped. "
                    + server.get(at).at("/progress/message").asString());
            return 1;
        }
        out().println("Undone: " + plan.get("removed").asString() + " records went, "
                + plan.get("restored").asString() + " became what they were; "
                + plan.get("changed").asString() + " that somebody changed since and "
                + plan.get("led").asString() + " that others lead to stayed.");
        return 0;
    }

    /** Whether it got there; it stopped where it did not. */
    private boolean until(RemoteServer server, String at, String wanted) throws IOException {
        long told = 0;
        while (true) {
            var progress = RunWatch.patiently(server, at + "/progress");
            var state = progress.get("state").asString();
            if (!WORKING.contains(state)) {
                return state.equals(wanted);
            }
            long total = Math.max(1, progress.get("total").asLong());
            long tenth = progress.get("done").asLong() * 10 / total;
            if (tenth != told) {
                told = tenth;
                out().println(state + ": " + progress.get("done").asLong() + " of " + total + " rows");
            }
            RunWatch.pause();
        }
    }
}
