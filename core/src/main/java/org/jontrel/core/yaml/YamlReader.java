package org.jontrel.core.yaml;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.PackageLimits;
import org.jontrel.core.work.Deadline;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.common.ScalarStyle;
import org.snakeyaml.engine.v2.events.AliasEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.events.MappingEndEvent;
import org.snakeyaml.engine.v2.events.MappingStartEvent;
import org.snakeyaml.engine.v2.events.NodeEvent;
import org.snakeyaml.engine.v2.events.ScalarEvent;
import org.snakeyaml.engine.v2.events.SequenceEndEvent;
import org.snakeyaml.engine.v2.events.SequenceStartEvent;
import org.snakeyaml.engine.v2.exceptions.Mark;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;

/** Bytes of one file (YAML 1.2, of which JSON is a part) to nodes, within {@link PackageLimits}; never throws on content. */
public final class YamlReader {
    /** A line with which version control marks two sides of a merge. */
    private static final Pattern MARKER = Pattern.compile("(?m)^(<{7} |={7}$|>{7} )");

    /** How the parser says that the file ended too early. */
    private static final Pattern END = Pattern.compile("end of stream|stream end");

    /** The words of YAML 1.2 for nothing. */
    private static final Set<String> NOTHING = Set.of("", "~", "null", "Null", "NULL");

    private final String file;
    private final List<Finding> findings;
    private int nodes;
    private Iterator<Event> events;

    private YamlReader(String file, List<Finding> findings) {
        this.file = file;
        this.findings = findings;
    }

    /** The one document of the file, or empty with at least one finding added. */
    public static Optional<Node> read(String file, byte[] bytes, List<Finding> findings) {
        Deadline.check();
        if (bytes.length > PackageLimits.FILE_BYTES) {
            findings.add(
                    Finding.of(Code.FILE_TOO_LARGE, Place.file(file), file, bytes.length, PackageLimits.FILE_BYTES));
            return Optional.empty();
        }
        return decode(file, bytes, findings).flatMap(text -> new YamlReader(file, findings).parse(text));
    }

    private static Optional<String> decode(String file, byte[] bytes, List<Finding> findings) {
        var in = ByteBuffer.wrap(bytes);
        try {
            var text = StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(in)
                    .toString();
            return Optional.of(text.startsWith("\uFEFF") ? text.substring(1) : text);
        } catch (CharacterCodingException _) {
            findings.add(Finding.of(Code.FILE_NOT_TEXT, Place.file(file), file, in.position()));
            return Optional.empty();
        }
    }

    private Optional<Node> parse(String text) {
        var settings = LoadSettings.builder()
                .setLabel(file)
                .setUseMarks(true)
                .setCodePointLimit(PackageLimits.FILE_BYTES)
                .build();
        try {
            events = new Parse(settings).parseString(text).iterator();
            events.next();
            events.next();
            if (!events.hasNext()) {
                return refuse(Code.SYNTAX, null, "the file is empty");
            }
            var root = node(events.next(), 0);
            events.next();
            var after = events.next();
            if (after.getEventId() != Event.ID.StreamEnd) {
                return refuse(Code.SYNTAX, after, "a second document begins here; a file has one definition");
            }
            return Optional.of(root);
        } catch (UnreadableException refused) {
            findings.add(refused.finding);
            return Optional.empty();
        } catch (MarkedYamlEngineException e) {
            findings.add(broken(e, text));
            return Optional.empty();
        } catch (YamlEngineException | java.util.NoSuchElementException e) {
            var message = String.valueOf(e.getMessage()).lines().findFirst().orElse("");
            findings.add(Finding.of(Code.SYNTAX, Place.file(file), message));
            return Optional.empty();
        }
    }

    /** What does not end is told where it begins: the end of the file helps nobody to find it. */
    private Finding broken(MarkedYamlEngineException e, String text) {
        var marker = MARKER.matcher(text);
        if (marker.find()) {
            int line = (int) text.substring(0, marker.start()).lines().count() + 1;
            return Finding.of(Code.MERGE_MARKERS, Place.in(file, line, 1));
        }
        boolean unclosed = e.getProblem() != null && END.matcher(e.getProblem()).find();
        if (unclosed && e.getContextMark().isPresent()) {
            return Finding.of(Code.NOT_CLOSED, place(e.getContextMark()));
        }
        return Finding.of(Code.SYNTAX, place(e.getProblemMark().or(e::getContextMark)), e.getProblem());
    }

    private Node node(Event event, int depth) {
        count(event, depth);
        return switch (event) {
            case ScalarEvent scalar -> scalar(scalar);
            case SequenceStartEvent start -> sequence(start, depth);
            case MappingStartEvent start -> mapping(start, depth);
            default -> throw refused(Code.SYNTAX, event, "a value was expected");
        };
    }

    private void count(Event event, int depth) {
        if (depth > PackageLimits.DEPTH) {
            throw refused(Code.TOO_DEEP, event, PackageLimits.DEPTH);
        }
        if (++nodes > PackageLimits.NODES) {
            throw refused(Code.TOO_MANY_NODES, event, PackageLimits.NODES);
        }
        if (event instanceof AliasEvent
                || event instanceof NodeEvent named && named.getAnchor().isPresent()) {
            throw refused(Code.ALIAS_USED, event);
        }
    }

    private Node sequence(SequenceStartEvent start, int depth) {
        var items = new ArrayList<Node>();
        for (var next = events.next(); !(next instanceof SequenceEndEvent); next = events.next()) {
            items.add(node(next, depth + 1));
        }
        return new Node.Sequence(items, line(start), column(start));
    }

    private Node mapping(MappingStartEvent start, int depth) {
        var entries = new ArrayList<Node.Entry>();
        for (var next = events.next(); !(next instanceof MappingEndEvent); next = events.next()) {
            if (!(next instanceof ScalarEvent name)) {
                node(next, depth + 1);
                throw refused(Code.SYNTAX, next, "a property's name must be a single word");
            }
            count(next, depth + 1);
            entries.add(new Node.Entry(word(name), node(events.next(), depth + 1)));
        }
        return new Node.Mapping(entries, line(start), column(start));
    }

    private static Node scalar(ScalarEvent event) {
        boolean plain = event.getScalarStyle() == ScalarStyle.PLAIN;
        return plain && NOTHING.contains(event.getValue()) ? new Node.Nothing(line(event), column(event)) : word(event);
    }

    private static Node.Scalar word(ScalarEvent event) {
        return new Node.Scalar(
                event.getValue(), event.getScalarStyle() == ScalarStyle.PLAIN, line(event), column(event));
    }

    private Optional<Node> refuse(Code code, Event at, Object... arguments) {
        findings.add(refused(code, at, arguments).finding);
        return Optional.empty();
    }

    private UnreadableException refused(Code code, Event at, Object... arguments) {
        var mark = at == null ? Optional.<Mark>empty() : at.getStartMark();
        return new UnreadableException(Finding.of(code, place(mark), arguments));
    }

    private Place place(Optional<Mark> mark) {
        return mark.map(m -> Place.in(file, m.getLine() + 1, m.getColumn() + 1)).orElse(Place.file(file));
    }

    private static int line(Event event) {
        return event.getStartMark().map(mark -> mark.getLine() + 1).orElse(0);
    }

    private static int column(Event event) {
        return event.getStartMark().map(mark -> mark.getColumn() + 1).orElse(0);
    }

    /** Leaves the recursion over a file that will not be read; caught where it began. */
    private static final class UnreadableException extends RuntimeException {
        private final transient Finding finding;

        UnreadableException(Finding finding) {
            super(null, null, false, false);
            this.finding = finding;
        }
    }
}
