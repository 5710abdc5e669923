package org.jontrel.server.account;

import com.ibm.icu.text.Normalizer2;
import com.ibm.icu.text.SpoofChecker;
import java.util.List;
import java.util.Locale;
import org.jontrel.serve.web.Refusal;

/** Names of accounts that nobody takes for another's: normalised, of one script, and unlike every other name to the eye. */
final class AccountNames {
    private static final int LONGEST = 100;
    private static final SpoofChecker ONE_SCRIPT = new SpoofChecker.Builder()
            .setChecks(SpoofChecker.RESTRICTION_LEVEL | SpoofChecker.INVISIBLE)
            .setRestrictionLevel(SpoofChecker.RestrictionLevel.SINGLE_SCRIPT_RESTRICTIVE)
            .build();

    private AccountNames() {}

    /** The name as it is stored. */
    static String checked(String typed) {
        var name = Normalizer2.getNFKCInstance().normalize(typed).strip().replaceAll("\\s+", " ");
        if (name.isEmpty() || name.length() > LONGEST) {
            throw Refusal.invalid("A name must have 1 to 100 characters.", List.of());
        }
        boolean plain = name.codePoints().allMatch(c -> switch (Character.getType(c)) {
            case Character.CONTROL,
                    Character.FORMAT,
                    Character.SURROGATE,
                    Character.PRIVATE_USE,
                    Character.UNASSIGNED -> false;
            default -> true;
        });
        if (!plain || ONE_SCRIPT.failsChecks(name)) {
            throw Refusal.invalid(
                    "A name must have letters of one script and no invisible characters. Type it again.", List.of());
        }
        return name;
    }

    /** The same for all names that look alike. */
    static String skeleton(String name) {
        return ONE_SCRIPT.getSkeleton(name.toLowerCase(Locale.ROOT));
    }
}
