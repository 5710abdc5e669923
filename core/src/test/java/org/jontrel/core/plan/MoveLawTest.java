package org.jontrel.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MoveRules;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.ValueShapes;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;
import org.testng.annotations.Test;

/**
 * For any model and any edits that take values to other places: what a move does not tell to be left behind says the same
 * again when it has gone back and forth once more.
 */
public class MoveLawTest {
    private static final int CASES = Integer.getInteger("laws", 250);
    private int moved;
    private int whole;

    @Test
    public void whatIsNotToldAsLostComesBack() {
        for (int seed = 1; seed <= CASES; seed++) {
            var models = new Models(seed);
            var before = models.model();
            var after = before;
            for (int edits = 1 + models.pick(3); edits > 0; edits--) {
                after = models.reshape(after);
            }
            try {
                judge(before, after, new Random(seed));
            } catch (RuntimeException | AssertionError e) {
                throw new AssertionError("seed " + seed + ": " + e.getMessage(), e);
            }
        }
        assertTrue(moved > CASES / 2, moved + " moves");
        assertTrue(whole > CASES / 2, whole + " without a loss");
    }

    private void judge(Model before, Model after, Random random) {
        for (var was : RecordType.all(before)) {
            var is = after.definition(was.id()).flatMap(each -> RecordType.of(after, each));
            if (is.isEmpty()) {
                continue;
            }
            var plan = new MovePlan(was, is.get(), List.of());
            var moves = is.get().byId().keySet().stream()
                    .flatMap(id -> plan.to(id).stream())
                    .toList();
            if (moves.isEmpty()) {
                continue;
            }
            moved += moves.size();
            for (int record = 0; record < 4; record++) {
                var values = values(was.fields().toList(), random, new int[] {1});
                judge(was, is.get(), moves, values);
            }
        }
    }

    private void judge(RecordType was, RecordType is, List<Move> moves, Map<String, Object> values) {
        int[] lost = {0};
        var losses = new MoveLosses() {
            @Override
            public void several() {
                lost[0]++;
            }

            @Override
            public void rowless() {
                lost[0]++;
            }

            @Override
            public void unconverted(String value) {
                lost[0]++;
            }
        };
        var forth = new MovedValues(was, is, moves, NameLookup.NONE, losses);
        var newer = forth.apply(values);
        // what a conversion makes of a value may be written in another way
        if (lost[0] > 0 || !moves.stream().allMatch(move -> keepsKinds(was, is, move))) {
            return;
        }
        whole++;
        var older = all(is, was).apply(all(was, is).apply(values));
        assertTrue(
                ValueShapes.same(forth.apply(older), newer),
                "of " + values + " became " + newer + ", then " + older + ", then " + forth.apply(older));
    }

    private static boolean keepsKinds(RecordType was, RecordType is, Move move) {
        return is.field(move.target())
                .orElseThrow()
                .withInner()
                .allMatch(field -> MoveRules.origin(was, is, field)
                        .filter(before -> !Kind.same(before.kind(), field.kind())
                                || !options(before).equals(options(field)))
                        .isEmpty());
    }

    /** A value that is no option any more is no option on the way back either. */
    private static List<Kind.Option> options(Field field) {
        return field.kind() instanceof Kind.Choice choice ? choice.options() : List.of();
    }

    /** Takes whole records over. */
    private static MovedValues all(RecordType was, RecordType is) {
        return new MovedValues(
                was,
                is,
                is.fields().map(field -> Move.own(field.id(), List.of())).toList(),
                NameLookup.NONE,
                MoveLosses.UNTOLD);
    }

    private static Map<String, Object> values(List<Field> fields, Random random, int[] rows) {
        var values = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = random.nextInt(4) == 0 ? null : value(field.kind(), random, rows);
            if (value != null) {
                values.put(field.id(), value);
            }
        }
        return values;
    }

    private static Object value(Kind kind, Random random, int[] rows) {
        return switch (kind) {
            case Kind.FieldGroup group -> {
                var inner = values(group.fields(), random, rows);
                yield inner.isEmpty() ? null : inner;
            }
            case Kind.Repeater repeater -> {
                var all = new ArrayList<Row>();
                for (int i = random.nextInt(3); i > 0; i--) {
                    all.add(new Row(rows[0]++, values(repeater.fields(), random, rows)));
                }
                yield all.isEmpty() ? null : all;
            }
            default -> {
                var one = one(kind, random);
                yield one == null || !kind.amount().many() ? one : List.of(one);
            }
        };
    }

    private static Object one(Kind kind, Random random) {
        return switch (kind) {
            case Kind.Text _, Kind.LongText _ -> String.valueOf(random.nextInt(30));
            case Kind.Numeric _ -> BigDecimal.valueOf(random.nextInt(30));
            case Kind.YesNo _ -> random.nextBoolean();
            case Kind.Date _ -> LocalDate.of(2026, 1, 1 + random.nextInt(28));
            case Kind.Image _, Kind.File _, Kind.TermPick _ -> (long) random.nextInt(30);
            case Kind.Choice choice
            when !choice.options().isEmpty() ->
                choice.options().get(random.nextInt(choice.options().size())).key();
            default -> null;
        };
    }

    @Test
    public void sameIgnoresIdsOfRowsAndZeros() {
        assertTrue(ValueShapes.same(
                Map.of("f", List.of(new Row(1, Map.of("n", new BigDecimal("1.50"))))),
                Map.of("f", List.of(new Row(2, Map.of("n", new BigDecimal("1.5")))))));
        assertEquals(ValueShapes.same(List.of("a", "b"), List.of("b", "a")), false);
    }
}
