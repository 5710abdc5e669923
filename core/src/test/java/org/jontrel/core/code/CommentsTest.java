package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.Test;

/** Comments, blank lines and line ends survive, wherever they stand and whatever is written again. */
public class CommentsTest extends CommentedFiles {
    @Test
    public void commentsStayAtWhatTheyStandAt() {
        var text = """
                # Licence: CC0
                # and more

                # what a mooring is
                key: mooring # never change
                singular: Mooring
                plural: Moorings

                # address
                path: moorings
                parts: [title, summary] # in this order
                index:
                  # by name
                  order: summary
                groups: # as agreed
                  # the berth
                  - title: Berth # heading
                    # all of it
                    fields:
                      # how long
                      - {key: length_m, label: Length, kind: number, unit: m} # in metres

                      # what it is made of
                      - key: surface
                        # asked by the client
                        label: Surface
                        kind: choice
                        options:
                          # soft
                          - {key: grass, label: Grass}
                          - {key: hard, label: Hard} # and dry
                # the end
                """;
        assertEquals(formattedType(text), text);
    }

    @Test
    public void whatIsWrittenOtherwiseKeepsItsComments() {
        var text = formattedType("""
                singular: Mooring
                # the key
                key: mooring
                plural: Moorings
                path: moorings
                # public as always
                public: true
                parts:
                  - title
                  # short
                  - summary
                index: {page_size: 24, order: summary} # by summary
                groups:
                  - fields:
                      - {
                          label: Length, # in words
                          # short
                          key: length_m,
                          kind: number
                        } # last
                    title: Berth
                """);
        assertEquals(text, """
                # public as always
                # the key
                key: mooring
                singular: Mooring
                plural: Moorings
                path: moorings
                parts:
                  - title
                  # short
                  - summary
                index: {order: summary} # by summary
                groups:
                  - title: Berth
                    fields:
                      # last
                      # short
                      - key: length_m
                        label: Length # in words
                        kind: number
                """);
    }

    @Test
    public void marksOfTheDocumentTakeNoCommentWithThem() {
        var text =
                "# a\n--- # b\n# c\nkey: mooring\nsingular: Mooring\nplural: Moorings\npath: moorings\n... # d\n# e\n";
        assertEquals(
                formattedType(text),
                "# a\n# b\n# c\nkey: mooring\nsingular: Mooring\nplural: Moorings\npath: moorings\n# d\n# e\n");
        assertEquals(
                formattedType("%YAML 1.2\n# a\n---\n" + text.substring(text.indexOf("key"))),
                "# a\nkey: mooring\nsingular: Mooring\nplural: Moorings\npath: moorings\n# d\n# e\n");
    }

    @Test
    public void lineEndsAreThoseOfTheFile() {
        var text = "key: mooring # one\r\nsingular: Mooring\r\nplural: Moorings\r\n\r\n# two\r\npath: moorings\r\n";
        assertEquals(formattedType(text), text);
        assertEquals(formattedType(text.replace("\r", "")), text.replace("\r", ""));
    }

    @Test
    public void filesThatDefineNothingKeepThemToo() {
        var files = files("migrations/1.0.0.yaml", """
                # asked on 3 May
                version: "1.0.0"
                decisions:
                  # most are short
                  - {element: f0c3r7h2p, question: required_empty, answer: fill, value: "12"} # metres
                """);
        files.put("package.yaml", "# ours\nformat: 3\nname: tessel # short\nversion: \"1.0.0\"\n".getBytes());
        var after = formatted(files, "");
        files.forEach((name, bytes) -> assertEquals(text(after, name), new String(bytes), name));
    }
}
