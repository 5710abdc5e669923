package org.jontrel.describe;

import org.jontrel.core.code.ModelPackage;

/** The data dictionary of a package, for people to read and sign. The same package gives the same bytes. */
public final class Describe {
    private Describe() {}

    /** One HTML file with everything in it, also the picture. */
    public static String html(ModelPackage content) {
        return HtmlPage.of(DictionaryMaker.of(content), picture(content));
    }

    /** @param picture name of the picture's file, which the document shows; empty for none */
    public static String markdown(ModelPackage content, String picture) {
        return MarkdownPage.of(DictionaryMaker.of(content), picture);
    }

    /** How types, taxonomies and shared groups hang together, as SVG 1.1. */
    public static String picture(ModelPackage content) {
        return ModelDiagram.of(content.model());
    }
}
