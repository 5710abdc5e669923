package org.jontrel.server.rehearsal;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.publicsite.SiteAddresses;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.server.rehearsal.RehearsalReport.ChangedRecord;
import org.jontrel.server.rehearsal.RehearsalReport.CountChange;
import org.jontrel.server.rehearsal.RehearsalReport.ValueChange;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.StoredRecord;

/** What some records of a site say, read before a run and compared with what they say after it. */
final class BeforeAndAfter {
    /** Records of each type that are looked at, and how many of those that differ are told. */
    private static final int LOOKED_AT = 200;

    private static final int TOLD = 5;
    /** Of so many the pages are read too. */
    private static final int PAGES = 40;

    private static final Pattern MAIN = Pattern.compile("<main.*</main>", Pattern.DOTALL);

    private final String path;
    private final Site site;
    private final SiteAddresses pages;
    private final Map<String, Map<Long, Said>> before = new HashMap<>();
    private final Map<String, Long> counts = new HashMap<>();
    /** What a record of each content type is called. */
    private final Map<String, String> types = new LinkedHashMap<>();

    /**
     * Reads what is there now.
     *
     * @param path of the site
     */
    BeforeAndAfter(String path, Site site, SiteAddresses pages) {
        this.path = path;
        this.site = site;
        this.pages = pages;
        for (var recordType : RecordType.all(site.installed().model())) {
            var records = site.records().all(recordType.id(), LOOKED_AT);
            before.put(recordType.id(), said(recordType, records));
            counts.put(recordType.id(), site.count(recordType.id()));
            if (recordType.definition() instanceof ContentType) {
                types.put(recordType.id(), recordType.singular());
            }
        }
    }

    /** What a record says: labels and texts by field, and the address of its page, empty for none. */
    private record Said(StoredRecord record, Map<String, Labelled> values, String address, String page) {
        /** With its type as a value, and values by their labels. */
        Said called(String type) {
            var all = new LinkedHashMap<String, Labelled>();
            all.put("", new Labelled("Content type", type));
            values.values().forEach(each -> all.put(each.label(), each));
            return new Said(record, all, address, page);
        }
    }

    private record Labelled(String label, String text) {}

    private Map<Long, Said> said(RecordType recordType, List<StoredRecord> records) {
        var names = ReferenceNames.of(
                site, recordType, records.stream().map(StoredRecord::values).toList());
        var addresses = site.records().addresses(recordType.id(), records);
        var said = new LinkedHashMap<Long, Said>();
        for (var record : records) {
            var values = new LinkedHashMap<String, Labelled>();
            recordType
                    .fields()
                    .filter(field -> field.kind().holdsValue())
                    .forEach(field -> values.put(field.id(), new Labelled(field.label(), text(field, record, names))));
            var address = recordType.path().isEmpty()
                    ? ""
                    : recordType.path() + "/" + addresses.getOrDefault(record.id(), record.slug());
            var page = address.isEmpty() || said.size() >= PAGES
                    ? ""
                    : pages.at(path, "/", address).orElse("");
            said.put(record.id(), new Said(record, values, page.isEmpty() ? "" : address, main(page)));
        }
        return said;
    }

    private static String text(Field field, StoredRecord record, ReferenceNames names) {
        var value = record.values().get(field.id());
        return value == null ? "" : names.show(field, value);
    }

    /** What is on the page and not around it. */
    private static String main(String page) {
        var found = MAIN.matcher(page);
        return found.find() ? found.group() : "";
    }

    /** How many records there are now of each type, where that is another number. */
    List<CountChange> counts() {
        return RecordType.all(site.installed().model()).stream()
                .map(recordType -> new CountChange(
                        recordType.plural(), counts.getOrDefault(recordType.id(), 0L), site.count(recordType.id())))
                .filter(count -> count.before() != count.after())
                .toList();
    }

    /** Records that say something else now: of each type a few, those first that differ in what no other one differs in. */
    List<ChangedRecord> samples() {
        return RecordType.all(site.installed().model()).stream()
                .flatMap(this::samples)
                .toList();
    }

    private Stream<ChangedRecord> samples(RecordType recordType) {
        var was = before.getOrDefault(recordType.id(), Map.of());
        var now = said(recordType, site.records().byIds(recordType.id(), was.keySet()));
        var differing = new ArrayList<ChangedRecord>();
        now.forEach((id, said) -> {
            var sample = sample(recordType, was.get(id), said);
            if (!sample.values().isEmpty() || sample.pageDiffers()) {
                differing.add(sample);
            }
        });
        differing.addAll(retyped(recordType));
        return picked(differing).stream();
    }

    /** Records that were of another content type: their fields are the same by what they are called. */
    private List<ChangedRecord> retyped(RecordType recordType) {
        var all = new ArrayList<ChangedRecord>();
        if (!(recordType.definition() instanceof ContentType)) {
            return all;
        }
        types.forEach((type, name) -> {
            if (!type.equals(recordType.id())) {
                var was = before.get(type);
                said(recordType, site.records().byIds(recordType.id(), was.keySet()))
                        .forEach((id, said) -> all.add(
                                sample(recordType, was.get(id).called(name), said.called(recordType.singular()))));
            }
        });
        return all;
    }

    private static ChangedRecord sample(RecordType recordType, Said was, Said now) {
        var fields = new LinkedHashMap<>(now.values());
        was.values().forEach(fields::putIfAbsent);
        var values = fields.keySet().stream()
                .map(id -> value(was.values().get(id), now.values().get(id)))
                .filter(value -> !value.before().equals(value.after()))
                .toList();
        return new ChangedRecord(
                recordType.id(),
                recordType.key(),
                recordType.singular(),
                now.record().id(),
                now.record().title(),
                now.address(),
                !was.page().equals(now.page()),
                values);
    }

    private static ValueChange value(Labelled was, Labelled now) {
        Function<Labelled, String> text = each -> each == null ? "" : each.text();
        return new ValueChange(Objects.requireNonNullElse(now, was).label(), text.apply(was), text.apply(now));
    }

    /** A few, those first that differ in what no other one differs in. */
    static List<ChangedRecord> picked(List<ChangedRecord> differing) {
        var left = new ArrayList<>(differing);
        var picked = new ArrayList<ChangedRecord>();
        Set<String> seen = new HashSet<>();
        while (picked.size() < TOLD && !left.isEmpty()) {
            var next = left.stream()
                    .max(Comparator.comparing(sample -> sample.values().stream()
                            .filter(value -> !seen.contains(value.label()))
                            .count()))
                    .orElseThrow();
            left.remove(next);
            picked.add(next);
            next.values().forEach(value -> seen.add(value.label()));
        }
        return picked;
    }
}
