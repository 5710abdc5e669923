package org.jontrel.core.check;

import java.util.List;
import java.util.Locale;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Look;
import org.jontrel.core.page.look.LookColours;
import org.jontrel.core.page.look.NavigationAddress;
import org.jontrel.core.page.look.OwnStyle;
import org.jontrel.core.page.node.ReadableInk;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;

/** A look: its colours can be read, its navigation leads somewhere, its blocks and its own rules hold. */
record LookCheck(ModelIndex known, ModelNames names, DefinitionFindings report) {
    static final int SMALLEST = 14;
    static final int LARGEST = 24;

    void run(Look look) {
        colours(look);
        if (look.size() < SMALLEST || look.size() > LARGEST) {
            report.addFixed(
                    "size",
                    Look.USUAL_SIZE,
                    Code.LIMIT_OUT_OF_RANGE,
                    look.title(),
                    "size",
                    look.size(),
                    SMALLEST,
                    LARGEST);
        }
        var scope = ValueScope.records(names, List.of());
        new WayCheck(report, look.title()).text("tagline", look.tagline(), scope);
        for (int i = 0; i < look.navigation().size(); i++) {
            link("navigation." + i, look.navigation().get(i), look);
        }
        new BlockCheck(known, report, look).run(look.footer(), scope);
        OwnStyle.of(look.style()).problems().forEach(problem -> style(problem, look));
    }

    private void colours(Look look) {
        boolean valid = true;
        for (var each : LookColours.all(look.colours())) {
            if (!ReadableInk.isColour(each.colour())) {
                report.add("colours." + each.name(), Code.LOOK_COLOUR, look.title(), each.name(), each.colour());
                valid = false;
            }
        }
        if (!valid) {
            return;
        }
        var ground = look.colours().ground();
        for (var ink : LookColours.inks(look.colours())) {
            double contrast = ReadableInk.contrast(ink.colour(), ground);
            if (contrast < LookColours.LEAST) {
                report.addFixed(
                        "colours." + ink.name(),
                        LookColours.readable(ink.colour(), ground),
                        Code.LOOK_CONTRAST,
                        look.title(),
                        ink.name(),
                        ink.colour(),
                        ground,
                        String.format(Locale.ROOT, "%.1f", Math.floor(contrast * 10) / 10),
                        LookColours.readable(ink.colour(), ground));
            }
        }
    }

    private void link(String property, Look.NavigationLink link, Look look) {
        var name = look.title();
        new NameCheck(report).prose(property + ".label", link.label());
        if (link.to().isEmpty() == link.address().isEmpty()) {
            report.add(property, Code.NAVIGATION_UNCLEAR, name, link.label());
        } else if (link.to().isEmpty()) {
            address(property, link, name);
        } else {
            index(property, link, name);
        }
    }

    private void address(String property, Look.NavigationLink link, String name) {
        if (NavigationAddress.of(link.address()).isEmpty()) {
            report.add(property + ".address", Code.NAVIGATION_ADDRESS, name, link.address());
        } else if (link.label().isBlank()) {
            report.add(property + ".label", Code.NAVIGATION_WORDLESS, name, link.address());
        }
    }

    private void index(String property, Look.NavigationLink link, String name) {
        var target = names.byId(link.to());
        if (target.isEmpty()) {
            report.add(
                    property + ".to",
                    Code.REFERENCE_UNKNOWN,
                    name,
                    "content type",
                    link.to(),
                    Nearest.hint(link.to(), known.keys(Definition.Sort.TYPE).keySet()));
        } else if (target.get() instanceof ContentType type
                && !(type.publishing().visible() && type.index().on())) {
            report.add(property + ".to", Code.NAVIGATION_NO_INDEX, name, type.plural());
        }
    }

    private void style(OwnStyle.StyleProblem problem, Look look) {
        switch (problem) {
            case OwnStyle.Unreadable(int line, String near) ->
                report.add("style", Code.STYLE_UNREADABLE, look.title(), line, near);
            case OwnStyle.RefusedRule(String what) -> report.add("style", Code.STYLE_REFUSED, look.title(), what);
            case OwnStyle.TooLong(int length) ->
                report.add("style", Code.TEXT_TOO_LONG, "style", length, OwnStyle.LONGEST);
        }
    }
}
