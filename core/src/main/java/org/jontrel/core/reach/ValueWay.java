package org.jontrel.core.reach;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.block.ValuePath;

/**
 * A way to something that can be shown.
 *
 * @param steps at least one
 * @param before from where the last step goes on
 */
public record ValueWay(List<ValueStep> steps, ValueScope before) {
    public ValueWay {
        steps = List.copyOf(steps);
    }

    /** A way by ids; empty where it leads nowhere. */
    public static Optional<ValueWay> of(ValueScope scope, String path) {
        return scope.follow(ValuePath.of(path)).map(steps -> {
            var before = scope;
            for (var step : steps.subList(0, steps.size() - 1)) {
                before = before.beyond(step).orElseThrow();
            }
            return new ValueWay(steps, before);
        });
    }

    /** The ways of up to so many steps, short ones first, so many at most. No way passes the same step twice. */
    public static List<ValueWay> all(ValueScope scope, int steps, int most) {
        var all = new ArrayList<ValueWay>();
        var level = from(scope, List.of()).toList();
        for (int length = 1; length <= steps && all.size() < most; length++) {
            level.stream().filter(way -> way.shows()).forEach(all::add);
            level = level.stream()
                    .filter(way -> !way.passed(way.last()))
                    .flatMap(way -> way.before.beyond(way.last()).stream().flatMap(beyond -> from(beyond, way.steps)))
                    .toList();
        }
        return List.copyOf(all.subList(0, Math.min(all.size(), most)));
    }

    private static Stream<ValueWay> from(ValueScope scope, List<ValueStep> steps) {
        return scope.steps().stream().map(step -> {
            var on = new ArrayList<>(steps);
            on.add(step);
            return new ValueWay(on, scope);
        });
    }

    private boolean passed(ValueStep step) {
        return steps.subList(0, steps.size() - 1).stream()
                .anyMatch(each -> each.id().equals(step.id()));
    }

    /** Whether there is something to see at its end. */
    private boolean shows() {
        return switch (last()) {
            case ValueStep.OfField(Field field) -> !(field.kind() instanceof Kind.Note);
            case ValueStep.OfSite _, ValueStep.OfValues _ -> false;
            case ValueStep.OfTerms _,
                    ValueStep.Leading _,
                    ValueStep.Having _,
                    ValueStep.Above _,
                    ValueStep.SiteName _ -> true;
        };
    }

    /**
     * Whether editors may put what is at its end into a line of text: words, and the names of what is linked. Lists of what
     * leads here stand in a listing; texts that hold other things would never end.
     */
    public boolean fitsIntoText() {
        boolean lists =
                steps.stream().anyMatch(step -> step instanceof ValueStep.Leading || step instanceof ValueStep.Having);
        return !lists
                && shows()
                && switch (last()) {
                    case ValueStep.OfField(Field field) ->
                        switch (field.kind()) {
                            case Kind.RichText _, Kind.Image _, Kind.File _, Kind.Nested _, Kind.Note _ -> false;
                            case Kind.Plain _, Kind.Relation _, Kind.TermPick _ -> true;
                        };
                    case ValueStep.OfTerms _,
                            ValueStep.Above _,
                            ValueStep.SiteName _,
                            ValueStep.Leading _,
                            ValueStep.Having _,
                            ValueStep.OfSite _,
                            ValueStep.OfValues _ -> true;
                };
    }

    public ValueStep last() {
        return steps.getLast();
    }

    /** Ids of its steps, with dots between. */
    public String path() {
        return joined(ValueStep::id, ".");
    }

    /** Keys of its steps, with dots between. */
    public String keys() {
        return joined(ValueStep::key, ".");
    }

    /** Labels of its steps, such as {@code Keeper › Phone}. */
    public String label() {
        return joined(ValueStep::label, " › ");
    }

    private String joined(Function<ValueStep, String> word, String between) {
        return steps.stream().map(word).collect(Collectors.joining(between));
    }
}
