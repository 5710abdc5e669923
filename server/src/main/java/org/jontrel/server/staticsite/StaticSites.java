package org.jontrel.server.staticsite;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.serve.media.PublicFiles;
import org.jontrel.serve.publicsite.SiteAddresses;
import org.jontrel.server.site.Sites;
import org.jontrel.site.Site;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;

/** Writes every page, picture and feed of a site, one after the other. */
@Component
public class StaticSites {
    private static final String NOINDEX = "<meta name=\"robots\" content=\"noindex\">";
    private final Sites sites;
    private final SiteAddresses addresses;

    StaticSites(Sites sites, SiteAddresses addresses) {
        this.sites = sites;
        this.addresses = addresses;
    }

    /** @param address where it will stand, with a slash at its end; empty where nobody knows */
    void write(String site, String address, StaticTarget target, StaticProgress.Listener progress) throws IOException {
        var engine = sites.engine(site);
        new Writing(site, engine, new StaticPages("/at/" + site + "/", address), target, progress).run();
    }

    /** One site being written. */
    private final class Writing implements StaticPages.Links {
        private final String site;
        private final Site engine;
        private final StaticPages pages;
        private final String base;
        private final StaticTarget target;
        private final StaticProgress.Listener progress;
        /** Files of all addresses that are known; empty for those at which there is nothing. */
        private final Map<String, Optional<String>> known = new HashMap<>();

        /** Addresses that search engines are not told of. */
        private final Set<String> unlisted = new HashSet<>();

        private final Deque<String> waiting = new ArrayDeque<>();
        private final Map<String, String> assets = new LinkedHashMap<>();
        private final Deque<String> unwritten = new ArrayDeque<>();
        private long written;
        private long files;

        Writing(String site, Site engine, StaticPages pages, StaticTarget target, StaticProgress.Listener progress) {
            this.site = site;
            this.engine = engine;
            this.pages = pages;
            this.base = StaticPages.ORIGIN + pages.home();
            this.target = target;
            this.progress = progress;
        }

        void run() throws IOException {
            add("");
            addresses.each(site, this::add);
            for (var next = waiting.poll(); next != null; next = waiting.poll()) {
                page(next);
                written++;
                for (var asset = unwritten.poll(); asset != null; asset = unwritten.poll()) {
                    asset(asset, assets.get(asset));
                    files++;
                }
                progress.at(new StaticProgress(written, written + waiting.size(), files, false, ""));
            }
            if (!pages.address().isEmpty()) {
                maps();
            }
            progress.at(new StaticProgress(written, written, files, true, ""));
        }

        private String add(String address) {
            var file = StaticNames.page(address);
            known.put(address, Optional.of(file));
            waiting.add(address);
            return file;
        }

        private void page(String address) throws IOException {
            var file = known.get(address).orElseThrow();
            var made = addresses.at(site, base, address);
            if (made.isPresent()) {
                if (address.contains("?") || file.endsWith(".xml") || made.get().contains(NOINDEX)) {
                    unlisted.add(address);
                }
                var text =
                        file.endsWith(".xml") ? pages.feed(made.get(), file, this) : pages.page(made.get(), file, this);
                write(file, text);
            }
        }

        private void write(String file, String text) throws IOException {
            target.write(file, new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
        }

        @Override
        public String file(String siteAddress) {
            var there = known.get(siteAddress);
            if (there == null) {
                there = addresses.at(site, base, siteAddress).isPresent()
                        ? Optional.of(add(siteAddress))
                        : Optional.empty();
                known.put(siteAddress, there);
            }
            return there.orElse(null);
        }

        // Pictures, files and style sheets

        @Override
        public String asset(String serverAddress) {
            if (!assets.containsKey(serverAddress)) {
                var name = name(serverAddress);
                assets.put(serverAddress, name);
                if (name != null) {
                    unwritten.add(serverAddress);
                }
            }
            return assets.get(serverAddress);
        }

        private String name(String serverAddress) {
            if (serverAddress.startsWith(StaticPages.PUBLIC)) {
                return "look/" + serverAddress.substring(StaticPages.PUBLIC.length());
            }
            if (serverAddress.startsWith(pages.home() + StaticPages.LOOK)) {
                return "look/" + StaticPages.LOOK;
            }
            return engine.media()
                    .find(number(serverAddress))
                    .filter(file -> PublicFiles.has(engine, file.id()))
                    .map(file -> {
                        int width = width(serverAddress);
                        var format = engine.media()
                                .serve(file, width)
                                .map(served -> served.format())
                                .orElse(file.format());
                        return file.picture()
                                ? "media/" + file.id() + (width == 0 ? "" : "-" + width) + "." + format
                                : "media/" + file.id() + "/"
                                        + StaticNames.safe(file.name().replace('/', '-'));
                    })
                    .orElse(null);
        }

        private long number(String serverAddress) {
            var digits = serverAddress.replaceAll("^.*/media/([0-9]{1,18}).*$", "$1");
            return digits.matches("[0-9]+") ? Long.parseLong(digits) : 0;
        }

        private int width(String serverAddress) {
            var width = UriComponentsBuilder.fromUriString(serverAddress)
                    .build()
                    .getQueryParams()
                    .getFirst("width");
            return width == null ? 0 : Integer.parseInt(width);
        }

        private void asset(String serverAddress, String file) throws IOException {
            if (serverAddress.startsWith(StaticPages.PUBLIC)) {
                shipped(serverAddress, file);
                return;
            }
            if (serverAddress.startsWith(pages.home() + StaticPages.LOOK)) {
                write(file, addresses.look(site));
                return;
            }
            var stored = engine.media().find(number(serverAddress)).orElseThrow();
            var served = engine.media().serve(stored, width(serverAddress)).orElseThrow();
            try (var bytes = served.bytes().open()) {
                target.write(file, bytes);
            }
        }

        /** Style sheets lead to typefaces, by ways from where they stand. */
        private void shipped(String serverAddress, String file) throws IOException {
            var resource = new ClassPathResource("static" + serverAddress);
            var bytes = resource.getContentAsByteArray();
            if (file.endsWith(".css")) {
                var places = StaticPages.FONT.matcher(new String(bytes, StandardCharsets.UTF_8));
                while (places.find()) {
                    asset(URI.create(serverAddress).resolve(places.group(1)).getPath());
                }
            }
            target.write(file, new ByteArrayInputStream(bytes));
        }

        /** Where the pages are, for search engines. */
        private void maps() throws IOException {
            var listed = known.keySet().stream()
                    .filter(address -> known.get(address).isPresent() && !unlisted.contains(address))
                    .map(address -> pages.placed(known.get(address).get()))
                    .sorted()
                    .toList();
            write("sitemap.xml", SiteAddresses.map(listed));
            write("robots.txt", "User-agent: *\nAllow: /\nSitemap: " + pages.address() + "sitemap.xml\n");
        }
    }
}
