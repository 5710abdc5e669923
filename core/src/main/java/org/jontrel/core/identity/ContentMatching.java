package org.jontrel.core.identity;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.WriteContext;

/**
 * Matches groups and blocks, which have no keys, by content and place together: first what is the same from either end,
 * then what is the same anywhere, then what says the same of itself, then what stands between the same neighbours and is
 * alike. Of several that are equally good none is taken, unless their places tell them apart.
 */
final class ContentMatching {
    private static final JaroWinklerSimilarity LIKENESS = new JaroWinklerSimilarity();

    /** Half of the fields are the same, or a text is mostly the same. */
    private static final double ALIKE = 0.5;

    private static final double ALIKE_TEXT = 0.7;

    private final Model model;
    private final Model earlier;
    private Map<String, ContentText> now;
    private Map<String, ContentText> before;

    ContentMatching(Model model, Model earlier) {
        this.model = model;
        this.earlier = earlier;
    }

    /** The key of a thing, where things of its class have one. */
    static Optional<String> key(Object thing) {
        return Things.of(thing).properties().stream()
                .filter(property -> property.sense() == Sense.NAME)
                .findFirst()
                .map(property -> String.valueOf(property.written(thing)));
    }

    /**
     * What a thing says, in words that mean the same in both models.
     *
     * @param all everything
     * @param itself what it says of itself, whatever it holds and whenever it is shown
     */
    record ContentText(String all, String itself) {
        static final ContentText NONE = new ContentText("", "");
    }

    /** All that a thing says, in words that mean the same in both models. */
    String of(Object thing, boolean isNow) {
        return text(thing, isNow).all();
    }

    ContentText text(Object thing, boolean isNow) {
        if (now == null) {
            now = texts(model);
            before = texts(earlier);
        }
        return (isNow ? now : before).getOrDefault(Identities.idOf(thing), ContentText.NONE);
    }

    private static Map<String, ContentText> texts(Model model) {
        var texts = new HashMap<String, ContentText>();
        for (var definition : new KeyReferences(model).toKeys().definitions()) {
            Things.within(definition, thing -> {
                if (thing instanceof Group || thing instanceof Block) {
                    var all = said(Things.shape(thing).write(thing, WriteContext.PLAIN));
                    texts.putIfAbsent(Identities.idOf(thing), new ContentText(all, itself(thing)));
                }
            });
        }
        return texts;
    }

    /** A tree as text, without ids. */
    private static String said(Object tree) {
        return switch (tree) {
            case Map<?, ?> map ->
                map.entrySet().stream()
                        .filter(entry -> !entry.getKey().equals("id"))
                        .map(entry -> entry.getKey() + ":" + said(entry.getValue()))
                        .collect(Collectors.joining(" ", "{", "}"));
            case List<?> list -> list.stream().map(ContentMatching::said).collect(Collectors.joining(" ", "[", "]"));
            default -> String.valueOf(tree);
        };
    }

    /** Adds pairs of things without keys, by the ids of the first. */
    void match(
            List<Object> items, List<Object> beside, Map<String, Object> pairs, BiPredicate<Object, Object> matchable) {
        if (items.stream().noneMatch(item -> item instanceof Group || item instanceof Block)) {
            return;
        }
        var run = new ContentPairs(this, items, beside, pairs, matchable);
        run.titles();
        run.ends();
        run.unique((item, isNow) -> of(item, isNow));
        run.unique((item, isNow) -> text(item, isNow).itself());
        run.gaps();
    }

    /** A block as it is written, without what it holds and when it is shown. */
    private static Map<Object, Object> bare(Block block) {
        var tree = new LinkedHashMap<Object, Object>(
                (Map<?, ?>) Things.shape(block).write(block, WriteContext.PLAIN));
        tree.keySet().removeAll(List.of("blocks", "show_when"));
        return tree;
    }

    /** What a thing says of itself, whatever it holds and whenever it is shown. */
    private static String itself(Object thing) {
        return switch (thing) {
            case Group group -> "group " + group.title();
            case Block block -> "block " + said(bare(block));
            default -> "";
        };
    }

    boolean alike(Object a, Object b) {
        return switch (a) {
            case Group group when b instanceof Group other -> alike(keys(group.fields()), keys(other.fields()));
            case Block block
            when b instanceof Block other
                    && Objects.equals(block.kind().getClass(), other.kind().getClass()) ->
                block.kind() instanceof BlockKind.Prose text && other.kind() instanceof BlockKind.Prose was
                        ? LIKENESS.apply(text.text(), was.text()) >= ALIKE_TEXT
                        : alike(
                                block.blocks().stream()
                                        .map(each -> text(each, true).itself())
                                        .toList(),
                                other.blocks().stream()
                                        .map(each -> text(each, false).itself())
                                        .toList());
            default -> false;
        };
    }

    private static List<String> keys(List<Field> fields) {
        return fields.stream().map(Field::key).toList();
    }

    private static boolean alike(List<String> a, List<String> b) {
        var both = new HashSet<>(a);
        both.retainAll(new HashSet<>(b));
        var all = new HashSet<>(a);
        all.addAll(b);
        return !both.isEmpty() && both.size() >= ALIKE * all.size();
    }

    /** How a thing is told apart from others. */
    interface ContentTrait {
        String of(Object thing, boolean isNow);
    }
}
