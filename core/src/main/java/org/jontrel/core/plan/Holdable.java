package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;

/** What sites can hold of a model so far; the rest of the language is refused in a plan, not lost in a run. */
final class Holdable {
    private Holdable() {}

    static List<Finding> findings(Model model) {
        var findings = new ArrayList<Finding>();
        for (var type : model.types()) {
            type.fields().forEach(field -> field(type, field, findings));
            if (!Section.uses(type.sections()).isEmpty()) {
                add(type, "shared groups", findings);
            }
            if (!type.taxonomies().isEmpty()) {
                add(type, "taxonomies", findings);
            }
            if (!type.nesting().under().isEmpty()) {
                add(type, "nested records", findings);
            }
            if (type.sections().stream().anyMatch(section -> !section.showWhen().equals(Condition.ALWAYS))) {
                add(type, "conditions", findings);
            }
        }
        return findings;
    }

    private static void add(ContentType type, String what, List<Finding> findings) {
        findings.add(Finding.of(Code.PLAN_NOT_HELD_YET, Place.definition(type.id(), ""), type.singular(), what));
    }

    private static void field(ContentType type, Field field, List<Finding> findings) {
        var place = Place.field(type.id(), field.id(), "");
        if (!held(field.kind())) {
            var what = "the kind " + field.kind().code().replace('_', ' ');
            findings.add(Finding.of(Code.PLAN_NOT_HELD_YET, place, field.label(), what));
        }
        if (field.kind().amount().many()) {
            findings.add(Finding.of(Code.PLAN_NOT_HELD_YET, place, field.label(), "several values"));
        }
        if (!field.showWhen().equals(Condition.ALWAYS)) {
            findings.add(Finding.of(Code.PLAN_NOT_HELD_YET, place, field.label(), "a condition"));
        }
    }

    private static boolean held(Kind kind) {
        return switch (kind) {
            case Kind.Text text -> !text.unique();
            case Kind.Choice choice -> choice.list().isEmpty();
            case Kind.LongText _,
                    Kind.Numeric _,
                    Kind.YesNo _,
                    Kind.Date _,
                    Kind.Time _,
                    Kind.Email _,
                    Kind.Phone _,
                    Kind.Colour _,
                    Kind.Image _ -> true;
            case Kind.RichText _,
                    Kind.DateTime _,
                    Kind.Url _,
                    Kind.Icon _,
                    Kind.File _,
                    Kind.Relation _,
                    Kind.TermPick _,
                    Kind.FieldGroup _,
                    Kind.Repeater _,
                    Kind.Coordinates _,
                    Kind.Note _ -> false;
        };
    }
}
