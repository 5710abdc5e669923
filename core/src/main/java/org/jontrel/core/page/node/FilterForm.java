package org.jontrel.core.page.node;

import java.util.List;
import java.util.Optional;

/**
 * What visitors narrow a list by: a form that leads to the same page, with what was chosen in its address.
 *
 * @param to the page without anything chosen
 * @param summary how many there are
 * @param words what is looked for; absent where words cannot be
 * @param controls in the order of the form
 * @param kept what was chosen by links and has no control here
 * @param narrowed each thing that was chosen
 * @param problems of what was asked, as sentences
 */
public record FilterForm(
        PageAddress to,
        String summary,
        Optional<WordControl> words,
        List<FilterControl> controls,
        List<KeptValue> kept,
        List<NarrowedBy> narrowed,
        List<String> problems) {
    public FilterForm {
        controls = List.copyOf(controls);
        kept = List.copyOf(kept);
        narrowed = List.copyOf(narrowed);
        problems = List.copyOf(problems);
    }

    /** @param label such as {@code Search locks} */
    public record WordControl(String label, String typed) {}

    /** A value that the form sends along unseen. */
    public record KeptValue(String name, String value) {}

    /**
     * Something that was chosen.
     *
     * @param without the address of the list without it
     */
    public record NarrowedBy(String text, PageAddress without) {}

    /** One thing that a list is narrowed by. */
    public sealed interface FilterControl {
        String label();
    }

    /**
     * Values of which any number can be chosen.
     *
     * @param more where the others are found, if there are too many to show
     */
    public record TickControl(String name, String label, List<Tick> ticks, Optional<InlineNode> more)
            implements FilterControl {
        public TickControl {
            ticks = List.copyOf(ticks);
        }
    }

    /**
     * @param value as it stands in the address
     * @param count how many of the list have it
     * @param depth how many terms stand above it
     */
    public record Tick(String value, InlineNode label, long count, boolean chosen, int depth) {}

    /**
     * A lowest and a highest value.
     *
     * @param type of the inputs, as HTML names it
     * @param unit behind the inputs; empty for none
     * @param least the lowest value that there is, as a hint; empty where there is none
     */
    public record RangeControl(
            String name, String label, String type, String unit, String from, String to, String least, String most)
            implements FilterControl {}
}
