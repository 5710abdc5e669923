package org.jontrel.core.compare;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.format.Difference;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.block.ValuePath;
import org.jontrel.core.model.block.ValueText;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.record.ConditionWords;
import org.jontrel.core.shape.Sense;

/** Settings of a model as people read them: what is referred to by its name, conditions as sentences. */
public final class SettingTexts {
    private final Model model;
    private Map<String, String> labels;
    private ConditionWords conditions;

    public SettingTexts(Model model) {
        this.model = model;
    }

    /** A setting's name in words; of an entry by the id of something, with its label. */
    public String name(String setting) {
        return name(setting, this);
    }

    /** @param other has the label of what is gone here */
    String name(String setting, SettingTexts other) {
        // a flag that is called "on" says what is around it
        if (setting.endsWith(".on")) {
            return words(setting.substring(0, setting.length() - 3)) + " page";
        }
        int dot = setting.lastIndexOf('.');
        if (dot < 0) {
            return words(setting);
        }
        var last = setting.substring(dot + 1);
        var label = label(last).equals(last) ? other.label(last) : label(last);
        return label.equals(last) ? words(setting) : words(setting.substring(0, dot)) + " " + label;
    }

    /** A value as written, with the keys of what is referred to: where labels alone would not tell two values apart. */
    String withKeys(Object written) {
        return switch (written) {
            case null -> "";
            case Collection<?> several ->
                several.stream().map(this::withKeys).sorted().collect(Collectors.joining(", "));
            case String text -> {
                var key = model.definition(text).map(Definition::key).orElse("");
                yield key.isEmpty() ? value(text) : label(text) + " (" + key + ")";
            }
            default -> value(written);
        };
    }

    private static String words(String code) {
        return Nouns.inSentence(code.replace('_', ' ').replace('.', ' '));
    }

    String before(Difference difference) {
        return value(difference.sense(), difference.before());
    }

    String after(Difference difference) {
        return value(difference.sense(), difference.after());
    }

    /** What is allowed is in no order but that of its labels. */
    private String value(Sense sense, Object written) {
        return (sense == Sense.ALLOWED || sense == Sense.ALLOWED_OR_ALL) && written instanceof Collection<?> several
                ? several.stream().map(this::value).sorted().collect(Collectors.joining(", "))
                : value(written);
    }

    /** A value as written in files but with ids; empty for nothing. */
    public String value(Object written) {
        return switch (written) {
            case null -> "";
            case Map<?, ?> tree -> condition(tree);
            case Collection<?> several -> several.stream().map(this::value).collect(Collectors.joining(", "));
            case String text ->
                text.contains("{") ? ValueText.of(text).with(this::way).toString() : way(text);
            default -> String.valueOf(written);
        };
    }

    /** The way to a value by the labels of its steps; any other text as it is. */
    private String way(String text) {
        var steps = ValuePath.of(text).steps();
        if (steps.size() < 2) {
            return label(text);
        }
        var labels = steps.stream().map(this::label).toList();
        return labels.equals(steps) ? text : String.join(" › ", labels);
    }

    private String condition(Map<?, ?> tree) {
        if (tree.equals(Map.of("all", List.of()))) {
            return "";
        }
        if (conditions == null) {
            conditions = new ConditionWords(model);
        }
        return Shapes.condition(tree)
                .map(conditions::of)
                .orElseGet(() -> tree.entrySet().stream()
                        .map(entry -> words(String.valueOf(entry.getKey())) + " " + value(entry.getValue()))
                        .collect(Collectors.joining(", ")));
    }

    /** All labels are gathered only for what may be an id: one look at the whole model costs more than most comparisons. */
    private String label(String text) {
        if (labels == null && !Ids.isId(text) && !text.startsWith("part_") && !text.startsWith("own_")) {
            return text;
        }
        if (labels == null) {
            labels = new HashMap<>();
            for (var part : Part.values()) {
                labels.put(part.asField().id(), part.label());
            }
            Stream.of(new ValueStep.Above(), new ValueStep.OfSite(), new ValueStep.SiteName())
                    .forEach(step -> labels.put(step.id(), step.label()));
            model.definitions().forEach(definition -> {
                labels.put(definition.id(), definition.name());
                Things.within(definition, thing -> {
                    var shape = Things.shape(thing);
                    if (!shape.scoped(thing)) {
                        labels.put(shape.id(thing), shape.label(thing));
                    }
                });
            });
        }
        return labels.getOrDefault(text, text);
    }
}
