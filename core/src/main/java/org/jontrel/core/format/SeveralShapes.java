package org.jontrel.core.format;

import java.util.List;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Kind.Amount;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;

/** The settings of kinds that may hold several values, point at something or hold fields. */
final class SeveralShapes {
    static final ObjectShape<Kind.Option> OPTION = ObjectShape.<Kind.Option>of("option")
            .named("option")
            .id(Kind.Option::id)
            .key(Kind.Option::key)
            .labelled(Kind.Option::label)
            .required(
                    "label", Scalars.TEXT, Kind.Option::label, Sense.WORDING, "What editors choose and visitors read.")
            .optional(
                    "retired",
                    Scalars.FLAG,
                    Kind.Option::retired,
                    false,
                    Sense.BEHAVIOUR,
                    "Whether it is retired: records that have it keep it, others are not offered it.")
            .build(v -> new Kind.Option(v.get("id"), v.get("key"), v.get("label"), v.<Boolean>get("retired")));

    static final ObjectShape<Kind.Choice> CHOICE = ObjectShape.<Kind.Choice>of("choice field")
            .optional(
                    "options",
                    Composites.things(OPTION),
                    Kind.Choice::options,
                    List.of(),
                    Sense.PARTS,
                    "The options, in order.")
            .optional(
                    "list",
                    Scalars.reference(Mapper.ReferenceTarget.LIST),
                    Kind.Choice::list,
                    "",
                    Sense.STRUCTURE,
                    "A choice list to take the options from instead.")
            .all(amount("options"), Kind.Choice::amount)
            .optional(
                    "shown",
                    Scalars.word(Kind.Choice.ChoiceControl.class, Kind.Choice.ChoiceControl::code),
                    Kind.Choice::shown,
                    Kind.Choice.ChoiceControl.MENU,
                    Sense.FORM,
                    "The control: a menu, buttons or checkboxes (ticks).")
            .build(v -> new Kind.Choice(v.get("options"), v.get("list"), amount(v), v.get("shown")));

    static final ObjectShape<Kind.Inverse> INVERSE = ObjectShape.<Kind.Inverse>of("inverse")
            .named("inverse")
            .id(Kind.Inverse::id)
            .key(Kind.Inverse::key)
            .labelled(Kind.Inverse::label)
            .required(
                    "label",
                    Scalars.TEXT,
                    Kind.Inverse::label,
                    Sense.WORDING,
                    "The heading over the linking records, on the forms and pages of the other end.")
            .optional(
                    "many",
                    Scalars.FLAG,
                    Kind.Inverse::many,
                    true,
                    Sense.PERMISSION,
                    "Whether several records may link to the same one; otherwise a second link to it is refused.")
            .optional(
                    "shown",
                    Scalars.FLAG,
                    Kind.Inverse::shown,
                    true,
                    Sense.FORM,
                    "Whether forms and pages at the other end show it.")
            .build(v -> new Kind.Inverse(
                    v.get("id"), v.get("key"), v.get("label"), v.<Boolean>get("many"), v.<Boolean>get("shown")));

    static final ObjectShape<Kind.Relation> RELATION = ObjectShape.<Kind.Relation>of("relation field")
            .required(
                    "to",
                    Composites.set(Scalars.reference(Mapper.ReferenceTarget.TYPE)),
                    Kind.Relation::to,
                    Sense.ALLOWED,
                    "The content types it may link to.")
            .all(amount("records"), Kind.Relation::amount)
            .optional(
                    "ordered",
                    Scalars.FLAG,
                    Kind.Relation::ordered,
                    false,
                    Sense.BEHAVIOUR,
                    "Whether editors may arrange the linked records; otherwise they stay in the order in which they were added.")
            .optional(
                    "symmetric",
                    Scalars.FLAG,
                    Kind.Relation::symmetric,
                    false,
                    Sense.STRUCTURE,
                    "Whether the other record links back automatically.")
            .optional(
                    "inverse",
                    Composites.thing(INVERSE),
                    Kind.Relation::inverse,
                    null,
                    Sense.PARTS,
                    "How the relation is shown at the other end.")
            .build(v -> new Kind.Relation(
                    v.get("to"), amount(v), v.<Boolean>get("ordered"), v.<Boolean>get("symmetric"), v.get("inverse")));

    static final ObjectShape<Kind.TermPick> TERM = ObjectShape.<Kind.TermPick>of("term field")
            .required(
                    "taxonomy",
                    Scalars.reference(Mapper.ReferenceTarget.TAXONOMY),
                    Kind.TermPick::taxonomy,
                    Sense.STRUCTURE,
                    "The taxonomy that its terms come from.")
            .all(amount("terms"), Kind.TermPick::amount)
            .build(v -> new Kind.TermPick(v.get("taxonomy"), amount(v)));

    static final ObjectShape<Kind.FieldGroup> GROUP = ObjectShape.<Kind.FieldGroup>of("group field")
            .required(
                    "fields",
                    Composites.things(FieldShape.INSTANCE),
                    Kind.FieldGroup::fields,
                    Sense.PARTS,
                    "The fields of the group, in order.")
            .build(v -> new Kind.FieldGroup(v.get("fields")));

    static final ObjectShape<Kind.Repeater> REPEATER = ObjectShape.<Kind.Repeater>of("repeater field")
            .required(
                    "fields",
                    Composites.things(FieldShape.INSTANCE),
                    Kind.Repeater::fields,
                    Sense.PARTS,
                    "The fields of each row, in order.")
            .optional(
                    "min_rows",
                    Scalars.WHOLE_NUMBER,
                    Kind.Repeater::minRows,
                    null,
                    Sense.LOWER_BOUND,
                    "The fewest rows that a record may have.")
            .optional(
                    "max_rows",
                    Scalars.WHOLE_NUMBER,
                    Kind.Repeater::maxRows,
                    null,
                    Sense.UPPER_BOUND,
                    "The most rows that a record may have.")
            .optional(
                    "row_name",
                    Scalars.reference(Mapper.ReferenceTarget.INNER_FIELD),
                    Kind.Repeater::rowName,
                    "",
                    Sense.FORM,
                    "The field whose value is the title of a row.")
            .optional(
                    "shown",
                    Scalars.word(Kind.Repeater.RowStyle.class, Kind.Repeater.RowStyle::code),
                    Kind.Repeater::shown,
                    Kind.Repeater.RowStyle.CARDS,
                    Sense.FORM,
                    "Whether rows are shown as a table or as cards.")
            .build(v -> new Kind.Repeater(
                    v.get("fields"), v.get("min_rows"), v.get("max_rows"), v.get("row_name"), v.get("shown")));

    private SeveralShapes() {}

    static List<Property<Amount, ?>> amount(String what) {
        return ObjectShape.<Amount>of("")
                .optional(
                        "many",
                        Scalars.FLAG,
                        Amount::many,
                        false,
                        Sense.STRUCTURE,
                        "Whether it holds several " + what + ".")
                .optional(
                        "min_count",
                        Scalars.WHOLE_NUMBER,
                        Amount::min,
                        null,
                        Sense.LOWER_BOUND,
                        "The fewest " + what + " it may hold.")
                .optional(
                        "max_count",
                        Scalars.WHOLE_NUMBER,
                        Amount::max,
                        null,
                        Sense.UPPER_BOUND,
                        "The most " + what + " it may hold.")
                .build(_ -> Amount.ONE)
                .properties();
    }

    static Amount amount(ObjectShape.PropertyValues v) {
        return new Amount(v.<Boolean>get("many"), v.get("min_count"), v.get("max_count"));
    }
}
