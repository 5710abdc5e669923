package org.jontrel.server.layout;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.reach.ValueWay;
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
        var scope = ValueScope.records(names, names.byId(type).stream().toList());
        return ValueWay.all(scope, MOST_STEPS, MOST).stream().map(WayView::of).toList();
    }

    private static WayView of(ValueWay way) {
        var field = way.last() instanceof ValueStep.OfField(Field found) ? found : null;
        return new WayView(
                way.path(),
                way.keys(),
                way.label(),
                field == null ? "records" : field.kind().code(),
                block(way.last()),
                way.last().many(),
                field == null
                        ? List.of(Presentation.WORDS.code())
                        : Presentations.of(field.kind()).stream()
                                .map(Presentation::code)
                                .toList(),
                leads(way));
    }

    private static List<String> leads(ValueWay way) {
        boolean within = way.last() instanceof ValueStep.OfField(Field field) && field.kind() instanceof Kind.Nested;
        return within
                ? List.of()
                : way.before().beyond(way.last()).map(ValueScope::definitions).orElse(List.of()).stream()
                        .map(Definition::id)
                        .toList();
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
