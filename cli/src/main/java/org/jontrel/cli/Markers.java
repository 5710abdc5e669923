package org.jontrel.cli;

import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** Two versions of a file in one, with what differs between markers, as version control and editors know them. */
final class Markers {
    private Markers() {}

    static byte[] between(byte[] ours, byte[] theirs) {
        var mine = lines(ours);
        var other = lines(theirs);
        var joined = new ArrayList<String>();
        int at = 0;
        for (AbstractDelta<String> delta : DiffUtils.diff(mine, other).getDeltas()) {
            int from = delta.getSource().getPosition();
            joined.addAll(mine.subList(at, from));
            joined.add("<<<<<<< ours");
            joined.addAll(delta.getSource().getLines());
            joined.add("=======");
            joined.addAll(delta.getTarget().getLines());
            joined.add(">>>>>>> theirs");
            at = from + delta.getSource().size();
        }
        joined.addAll(mine.subList(at, mine.size()));
        return (String.join("\n", joined) + "\n").getBytes(StandardCharsets.UTF_8);
    }

    private static List<String> lines(byte[] text) {
        return new String(text, StandardCharsets.UTF_8).lines().toList();
    }
}
