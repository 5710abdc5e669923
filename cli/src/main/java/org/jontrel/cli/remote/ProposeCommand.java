package org.jontrel.cli.remote;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "propose",
        mixinStandardHelpOptions = true,
        description = {
            "Proposes a model for workbooks (CSV, XLSX, ODS; several files are one workbook), compared with the draft: what each sheet and"
                    + " column becomes, and why. With --take it comes into the draft, as one edit that can be undone there.",
            "Without --take the token needs the right draft too, since what was read is kept there for 30 days."
        })
public final class ProposeCommand extends RemoteCommand {
    @Parameters(arity = "1..*", paramLabel = "FILE", description = "The files.")
    private List<Path> files;

    @Option(
            names = "--choices",
            paramLabel = "FILE",
            description = "A JSON file with what is chosen otherwise than proposed, as the API has it.")
    private Path choices;

    @Option(names = "--take", description = "Take it into the draft.")
    private boolean take;

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        for (var file : files) {
            if (!Files.isReadable(file)) {
                throw new IOException("There is no file " + file + " that can be read.");
            }
        }
        var chosen = choices == null ? null : Files.readString(choices);
        var workbooks = access.path() + "/workbooks";
        var view = server.uploadFiles(workbooks, files);
        var path = workbooks + "/" + view.get("id").asLong();
        if (chosen != null) {
            view = server.put(path + "/choices?chosen=" + view.get("chosen").asLong(), chosen);
        }
        print(view);
        if (!take) {
            err().println("Nothing was taken. It is kept as workbook "
                    + view.get("id").asLong() + " of " + access.title() + ".");
            return 0;
        }
        server.post(
                path + "/take?revision=" + view.get("revision").asLong() + "&chosen="
                        + view.get("chosen").asLong(),
                null);
        err().println("Taken into the draft of " + access.title() + ".");
        return 0;
    }

    private void print(JsonNode view) {
        RemoteServer.lines(view.get("findings")).forEach(line -> err().println(line));
        for (var sheet : view.get("sheets")) {
            var of = sheet.get("definition").asString();
            out().println(sheet.get("file").asString() + ", "
                    + sheet.get("name").asString() + ": " + sheet.get("role").asString()
                    + (of.isEmpty() ? "" : " " + of) + " (" + sheet.get("why").asString() + ")");
            sheet.get("notes").forEach(note -> out().println("  ! " + note.asString()));
            sheet.get("columns").forEach(column -> out().println("  " + line(column)));
        }
        var made = new ArrayList<String>();
        view.get("definitions")
                .forEach(each -> made.add((each.get("there").asBoolean() ? "more of " : "new ")
                        + each.get("sort").asString() + " " + each.get("name").asString()));
        out().println(
                        made.isEmpty()
                                ? "All of it is in the draft already, or left out."
                                : "The draft would get: " + String.join(", ", made) + ".");
        RemoteServer.lines(view.get("problems")).forEach(line -> err().println(line));
    }

    private static String line(JsonNode column) {
        var header = column.get("header").asString();
        var what = new StringBuilder(column.get("letters").asString())
                .append(' ')
                .append(header.isEmpty() ? "(no header)" : header)
                .append(" → ")
                .append(
                        column.get("use").asString().equals("field")
                                ? column.get("kind").asString()
                                : column.get("use").asString());
        var target = column.get("target").asString();
        what.append(target.isEmpty() ? "" : " to " + target);
        what.append(column.get("several").asBoolean() ? ", several" : "");
        what.append(column.get("required").asBoolean() ? ", required" : "");
        what.append(
                column.get("state").asString().equals("new")
                        ? ""
                        : ", " + column.get("state").asString());
        return what.append("  (")
                .append(column.get("why").asString())
                .append(')')
                .toString();
    }
}
