package org.jontrel.core.page.node;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;

/** What stands behind the question mark in the address of a list. */
public final class ListAddress {
    public static final String WORDS = "q";
    public static final String AFTER = "after";
    private static final Set<String> TAKEN = Set.of(WORDS, AFTER);

    private ListAddress() {}

    /** The parameter of a field or taxonomy; one whose key means something else here has another name. */
    public static String parameter(String key) {
        return TAKEN.contains(key) ? key + "_" : key;
    }

    public static String part(String name, String value) {
        return name + "=" + URLEncoder.encode(value, StandardCharsets.UTF_8);
    }

    /** @param path of the list below the site; @param parts empty where nothing is asked */
    public static String of(String path, List<String> parts) {
        return path + "/" + (parts.isEmpty() ? "" : "?" + String.join("&", parts));
    }
}
