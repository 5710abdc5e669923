package org.jontrel.server.layout;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.draftpage.DraftPages;
import org.jontrel.server.site.Sites;
import org.jontrel.site.Site;
import org.jontrel.site.page.PageReader;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;
import org.springframework.stereotype.Component;

/** How layouts look: with a record of a site, one that makes layouts break, or a made-up one. */
@Component
class LayoutLooks {
    private static final String INDEX = "index";
    private static final String LOOK = "look";

    private final Sites sites;
    private final DraftPages pages;

    LayoutLooks(Sites sites, DraftPages pages) {
        this.sites = sites;
        this.pages = pages;
    }

    @Schema(requiredProperties = {"page", "title", "sample", "why", "absent"})
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
            String why,

            @Schema(description = "Labels of fields that the draft has and the site does not have yet")
            List<String> absent,

            @Schema(description = "What search engines are told of the page; absent for cards, lines and lists")
            HeadLook head) {
        LayoutLook without(List<String> fields) {
            return new LayoutLook(page, title, record, sample, layout, why, fields, head);
        }
    }

    @Schema(requiredProperties = {"title", "description", "hidden", "linked"})
    record HeadLook(
            @Schema(description = "With the name of the site")
            String title,

            @Schema(description = "Empty for none") String description,

            @Schema(description = "Whether search engines are asked to leave the page out")
            boolean hidden,

            @Schema(description = "Data in the vocabulary of schema.org, as JSON; empty for none")
            String linked) {}

    LayoutLook of(String title, Model draft, LookController.LookOfLayout wanted) {
        var audience = wanted.drafts() ? Audience.PEOPLE : Audience.VISITORS;
        if (wanted.type().isEmpty()) {
            return home(title, draft, wanted, audience);
        }
        if (wanted.use().equals(INDEX)) {
            return index(title, draft, wanted, audience);
        }
        var use = LayoutController.use(wanted.use());
        if (wanted.site() != null) {
            var engine = sites.engine(wanted.site());
            var model = DraftPages.laidOut(engine.installed().model(), draft);
            var where = where(model, wanted);
            var record = model.definition(wanted.type())
                    .flatMap(definition -> RecordType.of(model, definition))
                    .flatMap(recordType -> engine.together(() -> LookRecords.one(
                            engine,
                            recordType,
                            wanted,
                            audience,
                            PageReader.ofSite(engine, new PageModel(model), where))));
            if (record.isPresent()) {
                return real(engine, model, record.get(), wanted, use, audience)
                        .without(absent(draft, model, wanted.type()));
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

    private LayoutLook index(String title, Model draft, LookController.LookOfLayout wanted, Audience audience) {
        var type = draft.find(ContentType.class, wanted.type())
                .orElseThrow(() -> Refusal.missing("There is no content type " + wanted.type() + " in this draft."));
        if (wanted.site() != null) {
            var engine = sites.engine(wanted.site());
            var model = DraftPages.laidOut(engine.installed().model(), draft);
            var installed = model.find(ContentType.class, wanted.type());
            if (installed.isPresent()) {
                var site =
                        new DraftPages.DraftSite(sites.get(wanted.site()), engine, model, typedLook(wanted), audience);
                var made = engine.together(() -> pages.index(site, installed.get()));
                return new LayoutLook(
                        made.html(), type.plural(), null, false, null, "", absent(draft, model, type.id()), null);
            }
        }
        return look(pages.sampleIndex(title, draft, type), type.plural(), null);
    }

    /** The id of the look that somebody is typing; empty where it is something else. */
    private static String typedLook(LookController.LookOfLayout wanted) {
        return LOOK.equals(wanted.sort())
                        && wanted.definition() != null
                        && wanted.definition().get("id") instanceof String id
                ? id
                : "";
    }

    /** The home page, in the look that somebody is typing where it is one. */
    private LayoutLook home(String title, Model draft, LookController.LookOfLayout wanted, Audience audience) {
        var look = typedLook(wanted);
        if (wanted.site() != null) {
            var engine = sites.engine(wanted.site());
            var model = DraftPages.laidOut(engine.installed().model(), draft);
            var site = new DraftPages.DraftSite(sites.get(wanted.site()), engine, model, look, audience);
            return look(engine.together(() -> pages.home(site)), site.site().name(), null);
        }
        return look(pages.sampleHome(title, draft, look), title, null);
    }

    private LayoutLook real(
            Site engine,
            Model model,
            StoredRecord record,
            LookController.LookOfLayout wanted,
            Layout.LayoutUse use,
            Audience audience) {
        var site = new DraftPages.DraftSite(sites.get(wanted.site()), engine, model, typedLook(wanted), audience);
        var made = engine.together(() -> pages.of(site, record, wanted.type(), use));
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
                made.choice().map(choice -> choice.why()).orElse(""),
                List.of(),
                made.head()
                        .map(head -> new HeadLook(head.title(), head.description(), head.hidden(), head.linked()))
                        .orElse(null));
    }

    /** Labels of the fields that a draft has of a type and a site does not have yet. */
    private static List<String> absent(Model draft, Model installed, String type) {
        var there = fields(installed, type).map(Field::id).collect(Collectors.toSet());
        return fields(draft, type)
                .filter(field -> !there.contains(field.id()))
                .map(Field::label)
                .toList();
    }

    private static Stream<Field> fields(Model model, String type) {
        return model.definition(type).flatMap(definition -> RecordType.of(model, definition)).stream()
                .flatMap(RecordType::fields);
    }
}
