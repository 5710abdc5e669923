package org.jontrel.core.check;

import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.Arrangement;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;
import org.jontrel.core.record.Conditions;

/** Blocks that show several things: rows, records, terms. */
record ListBlockCheck(ModelIndex known, WayCheck ways, DefinitionFindings at, String name) {
    void related(BlockKind.Related related, ValueScope scope) {
        var step = ways.last("field", related.field(), scope);
        if (step.isPresent() && !isOfRecords(step.get())) {
            at.add("field", Code.BLOCK_NOT_RECORDS, name, step.get().label());
        } else if (step.isPresent()) {
            records(related.form(), related, scope);
        }
    }

    void children(BlockKind.Children children, ValueScope scope) {
        if (scope.below().definitions().isEmpty()) {
            at.add("block", Code.BLOCK_NO_CHILDREN, name);
        } else {
            records(children.form(), children, scope);
        }
    }

    private static boolean isOfRecords(ValueStep step) {
        return switch (step) {
            case ValueStep.OfField(Field field) ->
                field.kind() instanceof Kind.Relation || field.kind() instanceof Kind.TermPick;
            case ValueStep.OfTerms _, ValueStep.Leading _, ValueStep.Having _, ValueStep.Above _ -> true;
            case ValueStep.OfSite _, ValueStep.SiteName _, ValueStep.OfValues _ -> false;
        };
    }

    void rows(BlockKind.Rows rows, ValueScope scope) {
        var step = ways.last("field", rows.field(), scope);
        if (step.isEmpty()) {
            return;
        }
        if (!(step.get() instanceof ValueStep.OfField(Field field) && field.kind() instanceof Kind.Nested)) {
            at.add("field", Code.BLOCK_NOT_ROWS, name, step.get().label());
            return;
        }
        arranged(rows.as(), rows.blocks());
        scope.inside(rows).ifPresent(inside -> rows.columns().forEach(column -> ways.last("columns", column, inside)));
    }

    private void arranged(Arrangement as, List<Block> blocks) {
        if (as == Arrangement.BLOCKS && blocks.isEmpty()) {
            at.add("blocks", Code.BLOCK_EMPTY, name, "blocks");
        } else if (as != Arrangement.BLOCKS && !blocks.isEmpty()) {
            at.add("as", Code.BLOCKS_IDLE, name, as.code());
        }
    }

    private void records(RecordsForm form, BlockKind kind, ValueScope scope) {
        arranged(form.as(), kind.blocks());
        if (form.limit() < 1 || form.limit() > RecordsForm.MOST) {
            at.addFixed(
                    "limit",
                    RecordsForm.MOST,
                    Code.LIMIT_OUT_OF_RANGE,
                    name,
                    "limit",
                    form.limit(),
                    1,
                    RecordsForm.MOST);
        }
        scope.inside(kind).ifPresent(inside -> {
            form.columns().forEach(column -> ways.last("columns", column, inside));
            form.order()
                    .forEach(order -> ways.last("order", order.field(), inside).ifPresent(step -> {
                        boolean ordered =
                                step instanceof ValueStep.OfField(Field field) && Conditions.isSortable(field.kind());
                        if (!ordered) {
                            at.add("order", Code.NOT_SORTABLE, name, step.label());
                        }
                    }));
        });
    }

    void terms(BlockKind.TermLabels terms, ValueScope scope) {
        if (terms.taxonomy().isEmpty()) {
            return;
        }
        if (known.find(Taxonomy.class, terms.taxonomy()).isEmpty()) {
            at.addUnknown(
                    "taxonomy", "taxonomy", name, "taxonomy", terms.taxonomy(), known.keys(Definition.Sort.TAXONOMY));
            return;
        }
        boolean used = scope.steps().stream()
                .anyMatch(step -> step instanceof ValueStep.OfTerms && step.id().equals(terms.taxonomy()));
        if (!used) {
            at.add(
                    "taxonomy",
                    Code.CONDITION_TAXONOMY,
                    name,
                    known.find(Taxonomy.class, terms.taxonomy()).orElseThrow().singular());
        }
        if (!terms.colour().isEmpty()) {
            scope.inside(terms)
                    .flatMap(inside -> ways.last("colour", terms.colour(), inside))
                    .filter(step ->
                            !(step instanceof ValueStep.OfField(Field field) && field.kind() instanceof Kind.Colour))
                    .ifPresent(step -> at.add("colour", Code.NO_COLOUR, name, step.label()));
        }
    }
}
