package org.jontrel.bench.serve;

import java.net.URI;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jontrel.demo.DemoLoader;
import org.jontrel.server.Application;
import org.jontrel.server.site.Sites;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * {@code ServeBench [SECONDS [NAME]]}: an index page of 24 cards, a record's page, a list of three levels and a narrowed
 * index of 100,000 records, or those whose names begin so, read by 32 readers at once from the application, from a handler written by hand, and from the application with the tag of a page the reader has. They take
 * turns many times, so that each meets the same machine; the median of the ratios of one turn counts.
 */
public final class ServeBench {
    private static final int READERS = 32;
    private static final int TURNS = 15;
    private static final int WARM_UP = 5;
    private static final String CODE = "bench-set-up-code";
    private static final String RECORD = "abbots-reach-aqueduct-17";

    private ServeBench() {}

    public static void main(String[] arguments) throws Exception {
        int seconds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 6;
        var names = arguments.length > 1 ? arguments[1] : "";
        load();
        try (var context = started(Application.class, HandPages.class, HandSurveys.class, HandSurveyIndex.class)) {
            var address = address(context);
            var pages = List.of(
                    new ComparedPage("index", "/at/trial/structures/", "/public/hand/"),
                    new ComparedPage("record", "/at/trial/structures/" + RECORD, "/public/hand/" + RECORD),
                    new ComparedPage(
                            "three levels of 100,000 records",
                            "/at/survey/waterways/" + HandSurveys.WATER,
                            "/public/hand/water"),
                    new ComparedPage(
                            "an index of 100,000 records, narrowed",
                            "/at/survey/surveys/?rating=fair",
                            "/public/hand/surveys"));
            for (var page : pages) {
                compare(
                        new BenchPage("", URI.create(address + page.application()), null)
                                .read()
                                .body(),
                        new BenchPage("", URI.create(address + page.hand()), null)
                                .read()
                                .body());
            }
            for (var page :
                    pages.stream().filter(each -> each.name().startsWith(names)).toList()) {
                measure(page.name(), address + page.application(), address + page.hand(), seconds);
            }
        }
        // pools of clients and of the database need not be waited for
        System.exit(0);
    }

    /** The same page twice, by their addresses. */
    private record ComparedPage(String name, String application, String hand) {}

    private static void load() throws Exception {
        loaded().close();
    }

    /** The application with the demo and its surveys in it. */
    static ConfigurableApplicationContext loaded() throws Exception {
        var context = started(Application.class);
        try {
            var sites = context.getBean(Sites.class);
            if (sites.find(HandPages.SITE).isEmpty()) {
                DemoLoader.load(address(context), CODE);
            }
            if (sites.find(SurveySite.SITE).isEmpty()) {
                SurveySite.load(address(context), sites);
            }
            return context;
        } catch (Exception e) {
            context.close();
            throw e;
        }
    }

    private static ConfigurableApplicationContext started(Class<?>... sources) {
        return new SpringApplicationBuilder(sources)
                .logStartupInfo(false)
                .run("--server.port=0", "--jontrel.setup-code=" + CODE);
    }

    private static String address(ConfigurableApplicationContext context) {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    private static void measure(String name, String application, String hand, int seconds) throws Exception {
        var full = new BenchPage("application", URI.create(application), null);
        var written = new BenchPage("by hand", URI.create(hand), null);
        var first = full.read();
        var known = new BenchPage(
                "with its tag",
                URI.create(application),
                first.headers().firstValue("ETag").orElseThrow());
        var pages = List.of(written, full, known);
        var rates = new double[pages.size()][TURNS];
        var slow = new double[pages.size()][TURNS];
        for (int turn = -WARM_UP; turn < TURNS; turn++) {
            for (int i = 0; i < pages.size(); i++) {
                var measured = BenchTurn.of(pages.get(i), seconds, READERS);
                if (turn >= 0) {
                    rates[i][turn] = measured.rate();
                    slow[i][turn] = measured.slow();
                }
            }
        }
        System.out.printf("%n%s, %d readers%n", name, READERS);
        for (int i = 0; i < pages.size(); i++) {
            System.out.printf(
                    Locale.ROOT,
                    "  %-14s %8.0f a second, %5.2f times the time by hand; 95 of 100 within %.2f times its time%n",
                    pages.get(i).name(),
                    median(rates[i]),
                    ratio(rates[0], rates[i]),
                    ratio(slow[i], slow[0]));
        }
        System.out.printf(Locale.ROOT, "  with its tag %.1f times as fast as in full%n", ratio(rates[2], rates[1]));
    }

    /** The machine is not as fast in each turn, but much the same for all within one. */
    private static double ratio(double[] rates, double[] to) {
        var ratios = new double[rates.length];
        Arrays.setAll(ratios, turn -> rates[turn] / to[turn]);
        return median(ratios);
    }

    /** What is measured must be the same page. */
    private static void compare(String application, String hand) {
        var wanted = application.replaceAll("after=[^\"]*", "after=next");
        if (!wanted.equals(hand)) {
            var a = wanted.split("\n");
            var b = hand.split("\n");
            int at = Arrays.mismatch(a, b);
            throw new IllegalStateException(
                    "The pages differ:\n" + a[Math.min(at, a.length - 1)] + "\n" + b[Math.min(at, b.length - 1)]);
        }
    }

    private static double median(double[] rates) {
        var sorted = rates.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
