package org.jontrel.server.layout;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.value.Presentations;

/** A value that a block can show. */
@Schema(requiredProperties = {"path", "label", "kind", "block", "many", "presentations"})
record WayView(
        @Schema(description = "Ids of its steps, with dots between")
        String path,

        @Schema(description = "Labels of its steps") String label,

        @Schema(description = "Kind of the field at its end; records or site for what is no field")
        String kind,

        @Schema(description = "The kind of block that shows it first of all: field, rows, related or terms")
        String block,

        @Schema(description = "Whether it can be several") boolean many,

        @Schema(description = "How it can be displayed besides the usual way")
        List<String> presentations) {
    private static final int MOST_STEPS = 3;
    private static final int MOST = 2_000;

    static List<WayView> all(Model model, String type) {
        var names = new ModelNames(model);
        var all = new ArrayList<WayView>();
        var scope = ValueScope.records(names, names.byId(type).stream().toList());
        add(scope, "", "", 1, new HashSet<>(), all);
        return all;
    }

    private static void add(
            ValueScope scope, String path, String label, int depth, Set<String> passed, List<WayView> all) {
        for (var step : scope.steps()) {
            if (all.size() >= MOST) {
                return;
            }
            var way = path.isEmpty() ? step.id() : path + "." + step.id();
            var words = label.isEmpty() ? step.label() : label + " › " + step.label();
            boolean note = step instanceof ValueStep.OfField(Field field) && field.kind() instanceof Kind.Note;
            if (!(step instanceof ValueStep.OfSite) && !(step instanceof ValueStep.OfValues) && !note) {
                all.add(of(step, way, words));
            }
            // the way back leads to where one came from
            if (depth < MOST_STEPS && passed.add(step.id())) {
                scope.beyond(step).ifPresent(beyond -> add(beyond, way, words, depth + 1, passed, all));
                passed.remove(step.id());
            }
        }
    }

    private static WayView of(ValueStep step, String way, String words) {
        var field = step instanceof ValueStep.OfField(Field found) ? found : null;
        return new WayView(
                way,
                words,
                field == null ? "records" : field.kind().code(),
                block(step),
                step.many(),
                field == null
                        ? List.of(Presentation.WORDS.code())
                        : Presentations.of(field.kind()).stream()
                                .map(Presentation::code)
                                .toList());
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
