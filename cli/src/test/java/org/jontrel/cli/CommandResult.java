package org.jontrel.cli;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.Arrays;

/** What came of a command. */
public record CommandResult(int code, String out, String err) {
    public static CommandResult run(Object... arguments) {
        var out = new StringWriter();
        var err = new StringWriter();
        var texts = Arrays.stream(arguments).map(String::valueOf).toArray(String[]::new);
        int code = Main.run(new PrintWriter(out, true), new PrintWriter(err, true), texts);
        return new CommandResult(code, out.toString(), err.toString());
    }

    /** The same with something on standard input. */
    static CommandResult given(byte[] input, Object... arguments) {
        InputStream before = System.in;
        System.setIn(new ByteArrayInputStream(input));
        try {
            return run(arguments);
        } finally {
            System.setIn(before);
        }
    }
}
