package org.jontrel.server.layout;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.server.publicsite.DraftPages;
import org.jontrel.server.site.Sites;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.Site;
import org.jontrel.site.page.PageReader;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.BadQuery;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.springframework.stereotype.Component;

/** How layouts look: with a record of a site, one that makes layouts break, or a made-up one. */
@Component
class LayoutLooks {
    /** The fullest, emptiest and longest are looked for among so many of those that were changed last. */
    private static final int LOOKED_AT = 300;

    private final Sites sites;
    private final DraftPages pages;

    LayoutLooks(Sites sites, DraftPages pages) {
        this.sites = sites;
        this.pages = pages;
    }

    @Schema(requiredProperties = {"page", "title", "sample", "why"})
    record LayoutLook(
            @Schema(description = "The page as HTML") String page,

            @Schema(description = "What the record is called")
            String title,

            @Schema(description = "Number of the record; absent for a made-up one")
            Long record,

            @Schema(description = "Whether the record is made up, because the site has none")
            boolean sample,

            @Schema(description = "Id of the layout that it gets; absent where that is derived")
            String layout,

            @Schema(description = "Why it gets that layout, in a sentence")
            String why) {}

    LayoutLook of(String title, Model draft, LookController.LookOfLayout wanted) {
        var use = LayoutController.use(wanted.use());
        var audience = wanted.drafts() ? Audience.PEOPLE : Audience.VISITORS;
        if (wanted.type().isEmpty()) {
            return home(title, draft, wanted.site(), audience);
        }
        if (wanted.site() != null) {
            var engine = sites.engine(wanted.site());
            var model = DraftPages.laidOut(engine.installed().model(), draft);
            var where = where(model, wanted);
            var record = model.definition(wanted.type())
                    .flatMap(definition -> RecordType.of(model, definition))
                    .flatMap(recordType -> engine.together(() -> record(
                            engine,
                            recordType,
                            wanted,
                            audience,
                            PageReader.ofSite(engine, new PageModel(model), where))));
            if (record.isPresent()) {
                return real(engine, model, record.get(), wanted, use, audience);
            }
        }
        if (draft.definition(wanted.type()).isEmpty()) {
            throw Refusal.missing("There is no content type or taxonomy " + wanted.type() + " in this draft.");
        }
        var made = pages.sample(title, draft, wanted.type(), use);
        return look(made, "", null);
    }

    /** Which records the layout is for that somebody is typing: one of them is shown. */
    private static Condition where(Model model, LookController.LookOfLayout wanted) {
        var id = wanted.definition() == null ? null : wanted.definition().get("id");
        return id instanceof String text
                ? model.find(Layout.class, text).map(Layout::where).orElse(Condition.ALWAYS)
                : Condition.ALWAYS;
    }

    private LayoutLook home(String title, Model draft, String site, Audience audience) {
        if (site != null) {
            var engine = sites.engine(site);
            var model = DraftPages.laidOut(engine.installed().model(), draft);
            var name = sites.get(site).name();
            var home = engine.together(() -> pages.home(engine, name, site, model, audience));
            if (home.isPresent()) {
                return look(home.get(), name, null);
            }
        }
        return look(pages.sampleHome(title, draft), title, null);
    }

    private LayoutLook real(
            Site engine,
            Model model,
            StoredRecord record,
            LookController.LookOfLayout wanted,
            Layout.LayoutUse use,
            Audience audience) {
        var name = sites.get(wanted.site()).name();
        var made = engine.together(
                () -> pages.of(engine, name, wanted.site(), model, record, wanted.type(), use, audience));
        return look(made, record.title().isEmpty() ? record.slug() : record.title(), record.id());
    }

    private static LayoutLook look(DraftPages.DraftPage made, String title, Long record) {
        return new LayoutLook(
                made.html(),
                title,
                record,
                record == null,
                made.choice()
                        .filter(choice -> !choice.derived())
                        .map(choice -> choice.layout().id())
                        .orElse(null),
                made.choice().map(choice -> choice.why()).orElse(""));
    }

    private static Optional<StoredRecord> record(
            Site engine,
            RecordType recordType,
            LookController.LookOfLayout wanted,
            Audience audience,
            Condition where) {
        var pick = wanted.pick() == null ? "" : wanted.pick();
        if (pick.isEmpty() && wanted.record() != null) {
            var one = engine.records()
                    .byId(recordType.id(), wanted.record())
                    .filter(record -> audience.reads(record, java.time.Instant.now()));
            if (one.isPresent()) {
                return one;
            }
        }
        var last = last(engine, recordType, ListQuery.ALL.as(audience).most(pick.isEmpty() ? 1 : LOOKED_AT), where);
        return switch (pick) {
            case "fullest" -> last.stream().max(Comparator.comparingInt(record -> filled(recordType, record)));
            case "emptiest" -> last.stream().min(Comparator.comparingInt(record -> filled(recordType, record)));
            case "longest" -> last.stream().max(Comparator.comparingInt(record -> letters(recordType, record)));
            case "next" -> next(last, wanted.record());
            default -> last.stream().findFirst();
        };
    }

    /** Those that were changed last; any of them where the layout asks for what the site does not have. */
    private static List<StoredRecord> last(Site engine, RecordType recordType, ListQuery query, Condition where) {
        try {
            return engine.records()
                    .page(recordType.id(), query.where(where))
                    .orElseThrow()
                    .records();
        } catch (BadQuery _) {
            return engine.records().page(recordType.id(), query).orElseThrow().records();
        }
    }

    private static Optional<StoredRecord> next(List<StoredRecord> records, Long after) {
        for (int i = 0; i < records.size(); i++) {
            if (after != null && records.get(i).id() == after) {
                return Optional.of(records.get((i + 1) % records.size()));
            }
        }
        return records.stream().findFirst();
    }

    private static int filled(RecordType recordType, StoredRecord record) {
        var values = new int[1];
        Leaves.of(recordType.fields().toList(), record.values(), (_, _) -> values[0]++);
        return values[0];
    }

    private static int letters(RecordType recordType, StoredRecord record) {
        var letters = new int[1];
        Leaves.of(
                recordType.fields().toList(),
                record.values(),
                (field, value) -> letters[0] += Values.show(field.kind(), value).length());
        return letters[0];
    }
}
