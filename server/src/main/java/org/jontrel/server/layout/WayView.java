package org.jontrel.server.layout;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.value.Presentations;

/** A value that a block can show. */
@Schema(requiredProperties = {"path", "keys", "label", "kind", "block", "many", "presentations", "leads"})
record WayView(
        @Schema(description = "Ids of its steps, with dots between")
        String path,

        @Schema(description = "Keys of its steps, with dots between, as texts are typed")
        String keys,

        @Schema(description = "Labels of its steps") String label,

        @Schema(description = "Kind of the field at its end; records or site for what is no field")
        String kind,

        @Schema(description = "The kind of block that shows it first of all: field, rows, related or terms")
        String block,

        @Schema(description = "Whether it can be several") boolean many,

        @Schema(description = "How it can be displayed besides the usual way")
        List<String> presentations,

        @Schema(description = "Ids of the content types or taxonomies that it leads to")
        List<String> leads) {
    private static final int MOST_STEPS = 3;
    private static final int MOST = 2_000;

    static List<WayView> all(Model model, String type) {
        var names = new ModelNames(model);
        var all = new ArrayList<WayView>();
        var scope = ValueScope.records(names, names.byId(type).stream().toList());
        var level = List.of(new NextLevel(scope, new Walked("", "", ""), Set.of()));
        for (int steps = 1; steps <= MOST_STEPS && all.size() < MOST; steps++) {
            var next = new ArrayList<NextLevel>();
            level.forEach(from -> add(from, next, all));
            level = List.copyOf(next);
        }
        return List.copyOf(all.subList(0, Math.min(all.size(), MOST)));
    }

    /** @param passed the steps that led here: the way back leads to where one came from */
    private record NextLevel(ValueScope scope, Walked way, Set<String> passed) {}

    /** The steps so far: ids, keys and labels. */
    private record Walked(String path, String keys, String label) {
        Walked on(ValueStep step) {
            return new Walked(
                    joined(path, ".", step.id()), joined(keys, ".", step.key()), joined(label, " › ", step.label()));
        }

        private static String joined(String before, String between, String more) {
            return before.isEmpty() ? more : before + between + more;
        }
    }

    /** Adds what can be named in one step, and notes from where the next step goes on: what is near comes first. */
    private static void add(NextLevel from, List<NextLevel> next, List<WayView> all) {
        for (var step : from.scope().steps()) {
            var way = from.way().on(step);
            boolean note = step instanceof ValueStep.OfField(Field field) && field.kind() instanceof Kind.Note;
            if (!(step instanceof ValueStep.OfSite) && !(step instanceof ValueStep.OfValues) && !note) {
                all.add(of(step, way, leads(from.scope(), step)));
            }
            if (!from.passed().contains(step.id())) {
                var passed = new HashSet<>(from.passed());
                passed.add(step.id());
                from.scope().beyond(step).ifPresent(beyond -> next.add(new NextLevel(beyond, way, passed)));
            }
        }
    }

    private static List<String> leads(ValueScope scope, ValueStep step) {
        boolean within = step instanceof ValueStep.OfField(Field field) && field.kind() instanceof Kind.Nested;
        return within
                ? List.of()
                : scope.beyond(step).map(ValueScope::definitions).orElse(List.of()).stream()
                        .map(Definition::id)
                        .toList();
    }

    private static WayView of(ValueStep step, Walked way, List<String> leads) {
        var field = step instanceof ValueStep.OfField(Field found) ? found : null;
        return new WayView(
                way.path(),
                way.keys(),
                way.label(),
                field == null ? "records" : field.kind().code(),
                block(step),
                step.many(),
                field == null
                        ? List.of(Presentation.WORDS.code())
                        : Presentations.of(field.kind()).stream()
                                .map(Presentation::code)
                                .toList(),
                leads);
    }

    private static String block(ValueStep step) {
        return switch (step) {
            case ValueStep.OfField(Field field) when field.kind() instanceof Kind.Nested -> "rows";
            case ValueStep.Leading _, ValueStep.Having _ -> "related";
            case ValueStep.OfTerms _ -> "terms";
            case ValueStep.OfField(Field field) when field.kind() instanceof Kind.Relation && step.many() -> "related";
            case ValueStep.OfField _,
                    ValueStep.Above _,
                    ValueStep.OfSite _,
                    ValueStep.SiteName _,
                    ValueStep.OfValues _ -> "field";
        };
    }
}
