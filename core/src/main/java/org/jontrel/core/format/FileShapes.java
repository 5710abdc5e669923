package org.jontrel.core.format;

import java.util.List;
import java.util.Set;
import org.jontrel.core.model.Kind;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;

/** Settings of kinds that hold pictures and other files. */
final class FileShapes {
    private FileShapes() {}

    static final ObjectShape<Kind.Image> IMAGE = ObjectShape.<Kind.Image>of("image field")
            .optional(
                    "min_width",
                    Scalars.WHOLE_NUMBER,
                    Kind.Image::minWidth,
                    null,
                    Sense.LOWER_BOUND,
                    "Narrower images are refused; any width is accepted when left out. In pixels.")
            .optional(
                    "min_height",
                    Scalars.WHOLE_NUMBER,
                    Kind.Image::minHeight,
                    null,
                    Sense.LOWER_BOUND,
                    "Lower images are refused; any height is accepted when left out. In pixels.")
            .optional(
                    "max_width",
                    Scalars.WHOLE_NUMBER,
                    Kind.Image::maxWidth,
                    null,
                    Sense.UPPER_BOUND,
                    "Wider images are refused; any width is accepted when left out. In pixels.")
            .optional(
                    "max_height",
                    Scalars.WHOLE_NUMBER,
                    Kind.Image::maxHeight,
                    null,
                    Sense.UPPER_BOUND,
                    "Higher images are refused; any height is accepted when left out. In pixels.")
            .optional(
                    "max_kilobytes",
                    Scalars.WHOLE_NUMBER,
                    Kind.Image::maxKilobytes,
                    null,
                    Sense.UPPER_BOUND,
                    "Larger images are refused. In KB of 1,024 bytes, up to 20,480.")
            .optional(
                    "alt_required",
                    Scalars.FLAG,
                    Kind.Image::altRequired,
                    true,
                    Sense.RULE,
                    "Whether each image needs a text that describes it to people who cannot see it.")
            .optional(
                    "formats",
                    Composites.set(Scalars.TEXT),
                    Kind.Image::formats,
                    Set.of(),
                    Sense.ALLOWED_OR_ALL,
                    "The formats that are accepted: jpeg, png, gif, webp; all of them when left out.")
            .optional(
                    "widths",
                    Composites.list(Scalars.WHOLE_NUMBER),
                    Kind.Image::widths,
                    List.of(),
                    Sense.FORM,
                    "The widths, in pixels, in which smaller images are made, so that small screens load less.")
            .all(SeveralShapes.amount("pictures"), Kind.Image::amount)
            .build(v -> new Kind.Image(
                    v.get("min_width"),
                    v.get("min_height"),
                    v.get("max_width"),
                    v.get("max_height"),
                    v.get("max_kilobytes"),
                    v.<Boolean>get("alt_required"),
                    v.get("formats"),
                    v.get("widths"),
                    SeveralShapes.amount(v)));

    static final ObjectShape<Kind.File> FILE = ObjectShape.<Kind.File>of("file field")
            .optional(
                    "formats",
                    Composites.set(Scalars.TEXT),
                    Kind.File::formats,
                    Set.of(),
                    Sense.ALLOWED_OR_ALL,
                    "The file extensions that are accepted, such as pdf; all of them when left out.")
            .optional(
                    "max_kilobytes",
                    Scalars.WHOLE_NUMBER,
                    Kind.File::maxKilobytes,
                    null,
                    Sense.UPPER_BOUND,
                    "Larger files are refused. In KB of 1,024 bytes, up to 102,400.")
            .all(SeveralShapes.amount("files"), Kind.File::amount)
            .build(v -> new Kind.File(v.get("formats"), v.get("max_kilobytes"), SeveralShapes.amount(v)));
}
