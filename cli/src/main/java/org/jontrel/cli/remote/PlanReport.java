package org.jontrel.cli.remote;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.jontrel.core.compare.ComparisonReport;
import tools.jackson.databind.JsonNode;

/** A plan as text for people, and as Markdown for a comment on a change. */
record PlanReport(JsonNode tree) {
    private static final String BLOCKER = "blocker";

    /** Whether it has a question that nobody has answered. */
    boolean asks() {
        return stream("asks").stream().anyMatch(ask -> !isAnswered(ask));
    }

    boolean isRunnable() {
        return tree.get("runnable").asBoolean();
    }

    private List<JsonNode> stream(String name) {
        return StreamSupport.stream(tree.path(name).spliterator(), false).toList();
    }

    private static boolean isAnswered(JsonNode ask) {
        return ask.hasNonNull("answer");
    }

    private String from() {
        var from = tree.get("from").asString();
        return from.isEmpty() ? "nothing" : from;
    }

    private String title() {
        var stages = stream("stages").stream().map(JsonNode::asString).toList();
        return tree.get("site").asString() + ", from " + from() + " to "
                + tree.get("to").asString()
                + (stages.size() > 1
                        ? " over " + String.join(", ", stages) + "; what follows is the way to " + stages.getFirst()
                        : "");
    }

    private String verdict() {
        if (asks()) {
            long open = stream("asks").stream().filter(ask -> !isAnswered(ask)).count();
            return open == 1 ? "1 question is open." : open + " questions are open.";
        }
        if (!isRunnable()) {
            return "This cannot be run.";
        }
        return tree.get("installed").asBoolean() ? "The site has it already." : "This can be run.";
    }

    String text() {
        var text = new StringBuilder(title()).append('\n').append(verdict()).append('\n');
        section(text, "Changes", sentences("changes"));
        section(
                text,
                "Questions",
                stream("asks").stream().map(PlanReport::asked).toList());
        section(text, "Steps", stream("steps").stream().map(PlanReport::step).toList());
        section(text, "To know", findings());
        if (asks()) {
            text.append("\nAnswers, for migrations/")
                    .append(tree.get("to").asString())
                    .append(".yaml:\n");
            text.append(answers());
        }
        return text.toString();
    }

    private static void section(StringBuilder text, String title, List<String> lines) {
        if (!lines.isEmpty()) {
            text.append('\n').append(title).append(":\n");
            lines.forEach(line -> text.append("  ").append(line).append('\n'));
        }
    }

    /** Texts of the model are escaped. */
    String markdown() {
        var text = new StringBuilder("### Plan for ")
                .append(ComparisonReport.escaped(title()))
                .append("\n\n**")
                .append(verdict())
                .append("**\n");
        items(text, "Changes", sentences("changes"), "- ");
        if (!stream("asks").isEmpty()) {
            text.append("\n#### Questions\n\n");
            stream("asks")
                    .forEach(ask -> text.append(isAnswered(ask) ? "- [x] " : "- [ ] ")
                            .append(ComparisonReport.escaped(asked(ask)))
                            .append('\n'));
        }
        if (asks()) {
            text.append("\nAnswers, for `migrations/")
                    .append(tree.get("to").asString())
                    .append(".yaml`:\n\n```yaml\n")
                    .append(answers())
                    .append("```\n");
        }
        items(text, "Steps", stream("steps").stream().map(PlanReport::step).toList(), "1. ");
        items(text, "To know", findings(), "- ");
        return text.toString();
    }

    private static void items(StringBuilder text, String title, List<String> lines, String bullet) {
        if (!lines.isEmpty()) {
            text.append("\n#### ").append(title).append("\n\n");
            lines.forEach(line ->
                    text.append(bullet).append(ComparisonReport.escaped(line)).append('\n'));
        }
    }

    private List<String> sentences(String of) {
        return stream(of).stream().map(each -> each.get("sentence").asString()).toList();
    }

    /** Problems and warnings; what is asked is told with the questions. */
    private List<String> findings() {
        var asked =
                stream("asks").stream().map(ask -> ask.at("/finding/sentence")).toList();
        return stream("findings").stream()
                .filter(finding -> !asked.contains(finding.get("sentence")))
                .map(finding -> (finding.get("severity").asString().equals(BLOCKER) ? "blocker: " : "")
                        + finding.get("sentence").asString())
                .toList();
    }

    private static String asked(JsonNode ask) {
        var sentence = ask.at("/finding/sentence").asString();
        if (!isAnswered(ask)) {
            return sentence;
        }
        var value = ask.path("value").asString("");
        return sentence + " Answered: " + ask.get("answer").asString() + (value.isEmpty() ? "" : " “" + value + "”");
    }

    private static String step(JsonNode step) {
        long rows = step.get("rows").asLong();
        return step.get("sentence").asString()
                + (rows == 0 ? "" : rows == 1 ? " (1 record)" : " (" + rows + " records)");
    }

    /** What a file of answers needs for the open questions, with all that each can be answered with. */
    private String answers() {
        var lines = new ArrayList<String>();
        lines.add("version: \"" + tree.get("to").asString() + "\"");
        lines.add("decisions:");
        for (var ask : stream("asks")) {
            if (!isAnswered(ask)) {
                var choices = StreamSupport.stream(ask.get("choices").spliterator(), false)
                        .map(JsonNode::asString)
                        .collect(Collectors.joining(" or "));
                var proposed = ask.path("proposed").asString("");
                lines.add("  # " + ask.get("label").asString().replaceAll("\\s+", " ") + ": " + choices);
                lines.add("  - {element: " + ask.get("element").asString() + ", question: "
                        + ask.get("about").asString() + ", answer: "
                        + ask.at("/choices/0").asString("…")
                        + (proposed.isEmpty() ? "" : ", value: " + quoted(proposed)) + "}");
            }
        }
        return String.join("\n", lines) + "\n";
    }

    private static String quoted(String value) {
        return "\"" + value.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n") + "\"";
    }
}
