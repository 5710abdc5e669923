package org.jontrel.core.page;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.Arrangement;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.PictureShape;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.recordtype.RecordType;

/** The layouts of a type or taxonomy that nobody has laid out: they show every field that visitors may read. */
public final class DerivedLayouts {
    private static final String TITLE = "part_title";
    private static final int PER_TYPE = 24;
    private final ModelNames names;

    public DerivedLayouts(ModelNames names) {
        this.names = names;
    }

    /** Numbers the blocks of one layout, so that each has an id. */
    private static final class Blocks {
        private final List<Block> all = new ArrayList<>();
        private final String before;
        private int number;

        Blocks(String before) {
            this.before = before;
        }

        Block of(BlockKind kind) {
            return new Block(before + ++number, kind);
        }

        void add(BlockKind kind) {
            all.add(of(kind));
        }
    }

    /** The layout for one use; it has the id of what it is derived from. */
    public Layout of(RecordType recordType, Layout.LayoutUse use) {
        var blocks = new Blocks("derived_" + use.code() + "_");
        switch (use) {
            case PAGE -> page(recordType, blocks);
            case CARD -> card(recordType, blocks);
            case ROW -> row(recordType, blocks);
        }
        return new Layout(
                recordType.id(),
                recordType.key() + "_" + use.code(),
                recordType.singular(),
                "",
                recordType.id(),
                use,
                Condition.ALWAYS,
                blocks.all);
    }

    private static boolean has(RecordType recordType, Part part) {
        return recordType.definition() instanceof ContentType type && type.has(part);
    }

    private void page(RecordType recordType, Blocks blocks) {
        blocks.add(new BlockKind.IndexLink());
        blocks.add(new BlockKind.FieldValue(TITLE, Presentation.HEADING));
        labels(recordType, blocks);
        if (has(recordType, Part.SUMMARY)) {
            blocks.add(new BlockKind.FieldValue("part_summary", Presentation.LEAD));
        }
        if (has(recordType, Part.LEAD_IMAGE)) {
            blocks.all.add(blocks.of(new BlockKind.FieldValue(
                            "part_lead_image", Presentation.USUAL, PictureSize.FULL, PictureShape.WIDE, "", true))
                    .unlabelled());
        }
        if (has(recordType, Part.BODY)) {
            blocks.all.add(blocks.of(new BlockKind.FieldValue("part_body", Presentation.USUAL))
                    .unlabelled());
        }
        for (var group : recordType.groups()) {
            if (!group.id().equals(RecordType.CLASSIFIED)) {
                var within = group.fields().stream()
                        .filter(field -> !(field.kind() instanceof Kind.Note))
                        .map(field -> blocks.of(shown(field)))
                        .toList();
                if (!within.isEmpty()) {
                    blocks.all.add(blocks.of(new BlockKind.Anchored("", within)).withLabel(group.title()));
                }
            }
        }
        if (has(recordType, Part.AUTHOR)) {
            blocks.add(new BlockKind.FieldValue("part_author", Presentation.USUAL));
        }
        related(recordType.definition(), blocks);
    }

    private static void labels(RecordType recordType, Blocks blocks) {
        if (recordType.groups().stream().anyMatch(group -> group.id().equals(RecordType.CLASSIFIED))) {
            blocks.all.add(blocks.of(new BlockKind.TermLabels("", "", true)).unlabelled());
        }
    }

    private static BlockKind shown(Field field) {
        return switch (field.kind()) {
            case Kind.Nested _ -> new BlockKind.Rows(field.id(), Arrangement.TABLE, List.of(), List.of());
            case Kind.Plain _, Kind.Reference _, Kind.Note _ ->
                new BlockKind.FieldValue(field.id(), Presentation.USUAL);
        };
    }

    /** What leads here and shows its other end, what stands below, and what has a term. */
    private void related(Definition definition, Blocks blocks) {
        var scope = ValueScope.records(names, List.of(definition));
        for (var step : scope.steps()) {
            switch (step) {
                case ValueStep.Leading leading
                when leading.inverse().shown() && leading.from().publishing().visible() ->
                    blocks.add(new BlockKind.Related(leading.id(), RecordsForm.PLAIN, List.of()));
                case ValueStep.Having having
                when having.from().publishing().visible() ->
                    blocks.all.add(blocks.of(new BlockKind.Related(having.id(), byTitle(Arrangement.CARDS), List.of()))
                            .withLabel(having.label()));
                case ValueStep.OfField _,
                        ValueStep.OfTerms _,
                        ValueStep.Leading _,
                        ValueStep.Having _,
                        ValueStep.Above _,
                        ValueStep.OfSite _,
                        ValueStep.SiteName _,
                        ValueStep.OfValues _ -> {}
            }
        }
    }

    private static RecordsForm byTitle(Arrangement as) {
        return new RecordsForm(as, List.of(), List.of(), PER_TYPE);
    }

    private static void card(RecordType recordType, Blocks blocks) {
        if (has(recordType, Part.LEAD_IMAGE)) {
            blocks.all.add(blocks.of(new BlockKind.FieldValue(
                            "part_lead_image", Presentation.USUAL, PictureSize.SMALL, PictureShape.ORIGINAL, "", true))
                    .unlabelled());
        }
        blocks.add(new BlockKind.FieldValue(TITLE, Presentation.HEADING));
        labels(recordType, blocks);
        if (has(recordType, Part.SUMMARY)) {
            blocks.all.add(blocks.of(new BlockKind.FieldValue("part_summary", Presentation.USUAL))
                    .unlabelled());
        }
    }

    private static void row(RecordType recordType, Blocks blocks) {
        blocks.add(new BlockKind.FieldValue(TITLE, Presentation.HEADING));
        if (recordType.definition() instanceof Taxonomy) {
            return;
        }
        if (has(recordType, Part.SUMMARY)) {
            blocks.all.add(blocks.of(new BlockKind.FieldValue("part_summary", Presentation.EXCERPT))
                    .unlabelled());
        }
    }
}
