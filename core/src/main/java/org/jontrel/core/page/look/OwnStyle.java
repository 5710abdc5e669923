package org.jontrel.core.page.look;

import com.helger.css.decl.CSSDeclaration;
import com.helger.css.decl.CSSMediaRule;
import com.helger.css.decl.CSSStyleRule;
import com.helger.css.decl.CascadingStyleSheet;
import com.helger.css.decl.ICSSTopLevelRule;
import com.helger.css.handler.LoggingCSSParseExceptionCallback;
import com.helger.css.parser.ParseException;
import com.helger.css.reader.CSSReader;
import com.helger.css.reader.CSSReaderSettings;
import com.helger.css.reader.errorhandler.ThrowingCSSParseErrorHandler;
import com.helger.css.writer.CSSWriterSettings;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Pattern;

/**
 * Rules that somebody wrote for a look, in CSS. What is shown is what the parser understood, written anew, so that no browser
 * can understand it otherwise. They load nothing and lay nothing over the page; a rule that would is refused.
 *
 * @param css the rules as they are shown; empty where something is wrong with them
 */
public record OwnStyle(String css, List<StyleProblem> problems) {
    public static final int LONGEST = 20_000;

    /** Functions whose argument can be an address. */
    private static final Pattern LOADS =
            Pattern.compile("(?i)(?<![a-z0-9_-])(url|src|image|(-[a-z]+-)?image-set|(-[a-z]+-)?cross-fade|element|paint"
                    + "|expression|attr)\\s*\\(");

    /** Comments and strings. */
    private static final Pattern BESIDE =
            Pattern.compile("/\\*.*?(\\*/|$)|\"[^\"\n]*(\"|$)|'[^'\n]*('|$)", Pattern.DOTALL);

    private static final int DEEPEST = 20;
    private static final Set<String> PLACES = Set.of("static", "relative");
    private static final Set<String> BINDINGS = Set.of("behavior", "-moz-binding");
    private static final CSSWriterSettings WRITTEN = new CSSWriterSettings().setOptimizedOutput(true);

    public OwnStyle {
        problems = List.copyOf(problems);
    }

    /** What is wrong. */
    public sealed interface StyleProblem {}

    /** @param line counted from 1; 0 where nobody knows */
    public record Unreadable(int line, String near) implements StyleProblem {}

    /** @param what as it was written, such as {@code position: fixed} */
    public record RefusedRule(String what) implements StyleProblem {}

    public record TooLong(int length) implements StyleProblem {}

    public static OwnStyle of(String text) {
        if (text.isBlank()) {
            return new OwnStyle("", List.of());
        }
        if (text.length() > LONGEST) {
            return new OwnStyle("", List.of(new TooLong(text.length())));
        }
        // letters can be written as escapes, and then a word is not what it seems to be
        for (var sign : List.of("\\", "</", "<!--", "-->")) {
            if (text.contains(sign)) {
                return new OwnStyle("", List.of(new RefusedRule(sign)));
            }
        }
        int tooDeep = lineTooDeep(text);
        if (tooDeep > 0) {
            return new OwnStyle("", List.of(new Unreadable(tooDeep, "too many brackets within brackets")));
        }
        var failure = new AtomicReference<ParseException>();
        var sheet = read(text, failure);
        if (sheet == null) {
            return new OwnStyle("", List.of(unreadable(failure.get())));
        }
        var problems = new ArrayList<StyleProblem>();
        check(sheet, problems);
        return new OwnStyle(problems.isEmpty() ? written(sheet) : "", problems);
    }

    /** The line in which brackets stand within more brackets than a parser should follow; 0 where there is none. */
    private static int lineTooDeep(String text) {
        int depth = 0;
        int line = 1;
        var bare = BESIDE.matcher(text)
                .replaceAll(match -> "\n".repeat((int)
                        match.group().chars().filter(sign -> sign == '\n').count()));
        for (char sign : bare.toCharArray()) {
            switch (sign) {
                case '\n' -> line++;
                case '(', '[', '{' -> depth++;
                case ')', ']', '}' -> depth--;
                default -> {}
            }
            if (depth > DEEPEST) {
                return line;
            }
        }
        return 0;
    }

    private static CascadingStyleSheet read(String text, AtomicReference<ParseException> failure) {
        var settings = new CSSReaderSettings()
                .setCustomErrorHandler(new ThrowingCSSParseErrorHandler())
                .setCustomExceptionHandler(new LoggingCSSParseExceptionCallback() {
                    @Override
                    public void onException(ParseException e) {
                        failure.set(e);
                    }
                });
        return CSSReader.readFromStringReader(text, settings);
    }

    private static Unreadable unreadable(ParseException e) {
        var token = e == null || e.currentToken == null ? null : e.currentToken.next;
        return token == null ? new Unreadable(0, "") : new Unreadable(token.beginLine, token.image);
    }

    private static void check(CascadingStyleSheet sheet, List<StyleProblem> problems) {
        sheet.getAllImportRules().forEach(_ -> problems.add(new RefusedRule("@import")));
        sheet.getAllNamespaceRules().forEach(_ -> problems.add(new RefusedRule("@namespace")));
        sheet.getAllRules().forEach(rule -> check(rule, problems));
    }

    private static void check(ICSSTopLevelRule rule, List<StyleProblem> problems) {
        switch (rule) {
            case CSSStyleRule style -> style.getAllDeclarations().forEach(each -> check(each, problems));
            case CSSMediaRule media -> media.getAllRules().forEach(each -> check(each, problems));
            default ->
                problems.add(new RefusedRule(
                        rule.getAsCSSString(WRITTEN).split("[\\s{;]", 2)[0].toLowerCase(Locale.ROOT)));
        }
    }

    private static void check(CSSDeclaration declaration, List<StyleProblem> problems) {
        var property = declaration.getProperty().toLowerCase(Locale.ROOT);
        var value = declaration.getExpression().getAsCSSString(WRITTEN);
        boolean covers = property.equals("position") && !PLACES.contains(value.toLowerCase(Locale.ROOT));
        if (covers || BINDINGS.contains(property) || LOADS.matcher(value).find()) {
            problems.add(new RefusedRule(property + ": " + value));
        }
    }

    private static String written(CascadingStyleSheet sheet) {
        var css = new StringBuilder();
        sheet.getAllRules()
                .forEach(rule -> css.append(rule.getAsCSSString(WRITTEN)).append('\n'));
        return css.toString();
    }
}
