package org.jontrel.bench;

import org.jontrel.core.generated.MergeLaw;

/** The law of merges over as many generated models and edits as are asked for, with ids and without. */
public final class Laws {
    private Laws() {}

    /** {@code COUNT [FIRST]}: so many merges of each sort, from the number FIRST (1) on. Ends with 1 where one breaks the law. */
    public static void main(String[] arguments) {
        long count = Long.parseLong(arguments[0]);
        long first = arguments.length > 1 ? Long.parseLong(arguments[1]) : 1;
        long broken = 0;
        for (long number = first; number < first + count; number++) {
            for (boolean withIds : new boolean[] {true, false}) {
                try {
                    MergeLaw.check(number, withIds);
                } catch (AssertionError | RuntimeException e) {
                    broken++;
                    System.out.println(e instanceof AssertionError ? e.getMessage() : number + " " + withIds + " " + e);
                }
            }
        }
        System.out.println(2 * count + " merges, " + broken + " broke the law");
        System.exit(broken == 0 ? 0 : 1);
    }
}
