package org.jontrel.core.generate.api;

import java.util.List;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;

/**
 * A value of an entity, of a group or of a row.
 *
 * @param about what people call it, with its unit where it has one
 * @param many whether it is a list of such values
 */
public record ApiField(String key, String about, boolean many, ApiValue value) {
    /** Those that the API gives. */
    static List<ApiField> of(Model model, List<Field> fields) {
        return fields.stream()
                .filter(field -> field.api() && field.kind().holdsValue())
                .map(field -> new ApiField(
                        field.key(),
                        about(field),
                        field.kind().amount().many() || field.kind() instanceof Kind.Repeater,
                        value(model, field.kind())))
                .toList();
    }

    private static String about(Field field) {
        return field.kind() instanceof Kind.Numeric number && !number.unit().isEmpty()
                ? field.label() + ", in " + number.unit()
                : field.label();
    }

    private static ApiValue value(Model model, Kind kind) {
        return switch (kind) {
            case Kind.Numeric number -> new ApiValue.NumberValue(number.decimals() == 0);
            case Kind.YesNo _ -> new ApiValue.FlagValue();
            case Kind.Date _ -> new ApiValue.MomentValue(ApiValue.MomentSort.DATE);
            case Kind.Time _ -> new ApiValue.MomentValue(ApiValue.MomentSort.TIME);
            case Kind.DateTime _ -> new ApiValue.MomentValue(ApiValue.MomentSort.DATE_TIME);
            case Kind.Choice choice ->
                new ApiValue.OptionValue(
                        choice.options().stream().map(Kind.Option::key).toList());
            case Kind.Coordinates _ -> new ApiValue.SpotValue();
            case Kind.Relation relation -> new ApiValue.LinkValue(targets(model, relation));
            case Kind.TermPick _ -> new ApiValue.TermValue();
            case Kind.Image _ -> new ApiValue.PictureValue();
            case Kind.File _ -> new ApiValue.FileValue();
            case Kind.FieldGroup(List<Field> fields) -> new ApiValue.NestedValue(of(model, fields));
            case Kind.Repeater rows -> new ApiValue.NestedValue(of(model, rows.fields()));
            case Kind.Text _,
                    Kind.LongText _,
                    Kind.RichText _,
                    Kind.Email _,
                    Kind.Url _,
                    Kind.Phone _,
                    Kind.Icon _,
                    Kind.Colour _,
                    Kind.Note _ -> new ApiValue.TextValue();
        };
    }

    /** Keys of the content types that a relation leads to, in the order of the model. */
    private static List<String> targets(Model model, Kind.Relation relation) {
        return model.types().stream()
                .filter(type -> relation.to().isEmpty() || relation.to().contains(type.id()))
                .map(ContentType::key)
                .toList();
    }
}
