package org.jontrel.core.check;

import java.util.Collection;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.shape.Property;

/**
 * Characters that nobody sees in anything that a definition says: control characters, those that turn the direction of
 * text (Unicode's bidirectional embeddings, overrides and isolates, see UAX #9), and those without width. Joiners are fine
 * where scripts and emoji need them: between letters or signs beyond Latin.
 */
final class HiddenCharacters {
    private final Definition definition;
    private final DefinitionFindings report;

    private HiddenCharacters(Definition definition, DefinitionFindings report) {
        this.definition = definition;
        this.report = report;
    }

    static void check(Definition definition, DefinitionFindings report) {
        var check = new HiddenCharacters(definition, report);
        check.thing(definition, report);
        Things.within(definition, thing -> {
            var shape = Things.shape(thing);
            check.thing(thing, shape.scoped(thing) ? report : report.of(shape.id(thing)));
        });
    }

    private void thing(Object thing, DefinitionFindings at) {
        for (var property : Things.of(thing).properties()) {
            if (property.slot() == null) {
                property(thing, property, at);
            }
        }
    }

    private <V> void property(Object thing, Property<Object, V> property, DefinitionFindings at) {
        switch (property.getter().apply(thing)) {
            case null -> {}
            case Boolean _, Number _, Enum<?> _ -> {}
            case String text -> text(property.name(), text, thing, at);
            default -> value(property.name(), property.written(thing), thing, at);
        }
    }

    private void value(String property, Object value, Object thing, DefinitionFindings at) {
        switch (value) {
            case String text -> text(property, text, thing, at);
            case Map<?, ?> texts ->
                texts.forEach((name, text) -> {
                    text(property, String.valueOf(name), thing, at);
                    value(property + "." + name, text, thing, at);
                });
            case Collection<?> several -> several.forEach(each -> value(property, each, thing, at));
            case null, default -> {}
        }
    }

    private void text(String property, String text, Object thing, DefinitionFindings at) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= ' ' && c < 0x7F) {
                continue;
            }
            var code = isControl(c) ? Code.TEXT_CONTROL : isUnseen(text, i) ? Code.TEXT_INVISIBLE : null;
            if (code != null) {
                var label = Things.shape(thing).label(thing);
                var owner = label.isBlank() || label.equals(text) ? definition.key() : label;
                at.findings()
                        .add(Finding.of(
                                code, at.place(property), property, shown(owner), String.format("U+%04X", (int) c)));
                return;
            }
        }
    }

    /** Without what would spoil the sentence itself. */
    private static String shown(String text) {
        return text.replaceAll("[\\p{Cc}\\p{Cf}]", "");
    }

    private static boolean isControl(char c) {
        return Character.getType(c) == Character.CONTROL && c != '\n' && c != '\t';
    }

    private static boolean isUnseen(String text, int at) {
        char c = text.charAt(at);
        if (c == '\u200C' || c == '\u200D') {
            return !(beyondLatin(text, at - 1) && beyondLatin(text, at + 1));
        }
        return (c >= '\u202A' && c <= '\u202E')
                || (c >= '\u2066' && c <= '\u2069')
                || c == '\u200B'
                || c == '\u200E'
                || c == '\u200F'
                || c == '\u2060'
                || c == '\u00AD'
                || c == '\u061C'
                || c == '\u180E'
                || c == '\uFEFF';
    }

    private static boolean beyondLatin(String text, int at) {
        return at >= 0 && at < text.length() && text.charAt(at) > 0x24F;
    }
}
