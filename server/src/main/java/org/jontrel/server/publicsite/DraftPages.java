package org.jontrel.server.publicsite;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.page.LayoutChoice;
import org.jontrel.core.page.PageMaker;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.SampleData;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.page.node.RecordHead;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;
import org.springframework.stereotype.Component;

/** How the layouts of a draft show the records of a site that has another release, or made-up ones. */
@Component
public class DraftPages {
    private static final int CARDS = 6;
    private final PageWriter writer;

    DraftPages(PageWriter writer) {
        this.writer = writer;
    }

    /**
     * A page as HTML.
     *
     * @param choice the layout that the record gets; empty for the home page
     * @param head what search engines are told; only for the pages of records
     */
    public record DraftPage(String html, Optional<LayoutChoice> choice, Optional<DraftHead> head) {}

    /** @param linked data in the vocabulary of schema.org, as JSON; empty for none */
    public record DraftHead(String title, String description, boolean hidden, String linked) {}

    /**
     * What a site has installed, with the layouts, listings, page parts, indexes and wordings of a draft: those change nothing in a
     * database.
     */
    public static Model laidOut(Model installed, Model draft) {
        var model = installed;
        for (var each : installed.definitions()) {
            if (isOfPages(each)) {
                model = model.without(each.id());
            }
        }
        for (var each : draft.definitions()) {
            if (isOfPages(each)) {
                model = model.with(each);
            } else if (each instanceof ContentType type) {
                var before = model.find(ContentType.class, type.id());
                model = before.isPresent() ? model.with(before.get().withPagesOf(type)) : model;
            }
        }
        return model;
    }

    private static boolean isOfPages(Definition definition) {
        return definition instanceof Layout || definition instanceof Listing || definition instanceof PagePart;
    }

    /** The page, card or line of a record of a site. */
    public DraftPage of(
            Site engine,
            String name,
            String path,
            Model model,
            StoredRecord record,
            String type,
            Layout.LayoutUse use,
            Audience audience) {
        var pages = new SitePages(engine, new PageModel(model), name, audience);
        var made = pages.made(type, List.of(record), use);
        return written(PageFrame.of(name, path, model), made);
    }

    /** The home page of a site; empty where the model has none of its own. */
    public Optional<DraftPage> home(Site engine, String name, String path, Model model, Audience audience) {
        return new SitePages(engine, new PageModel(model), name, audience)
                .home()
                .map(nodes -> written(PageFrame.of(name, path, model), nodes, Optional.empty()));
    }

    /** The index of a type of a site, as nobody has narrowed it. */
    public DraftPage index(Site engine, String name, String path, Model model, ContentType type, Audience audience) {
        var nodes = new SitePages(engine, new PageModel(model), name, audience).index(type, Map.of());
        return written(PageFrame.of(name, path, model), nodes, Optional.empty());
    }

    /** The index of a type with made-up records. */
    public DraftPage sampleIndex(String name, Model model, ContentType type) {
        var nodes = ProofPages.sampleIndex(new PageModel(model), name, type);
        return written(PageFrame.of(name, "proof", model), nodes, Optional.empty());
    }

    /** The page, card or line of a made-up record. */
    public DraftPage sample(String name, Model model, String type, Layout.LayoutUse use) {
        var pages = new PageModel(model);
        var data = new SampleData(pages, name, pages.needs(type, use));
        var maker = new PageMaker(pages, data, LocalDate.now(ZoneOffset.UTC));
        var record = data.record(new Link(type, 1)).orElseThrow();
        var nodes =
                switch (use) {
                    case PAGE -> maker.page(record);
                    case CARD -> maker.items(PageNode.ItemsForm.CARDS, data.some(type, CARDS), 2);
                    case ROW -> maker.items(PageNode.ItemsForm.LINES, data.some(type, CARDS), 2);
                };
        var head = use == Layout.LayoutUse.PAGE ? Optional.of(maker.head(record)) : Optional.<RecordHead>empty();
        var choice = Optional.of(maker.choice(record, use));
        return written(PageFrame.of(name, "proof", model), new SitePages.MadePage(nodes, choice, head));
    }

    /** The home page with made-up records. */
    public DraftPage sampleHome(String name, Model model) {
        var pages = new PageModel(model);
        var frame = PageFrame.of(name, "proof", model);
        return pages.home()
                .map(layout -> {
                    var data = new SampleData(pages, name, pages.needs(layout));
                    return written(
                            frame,
                            new PageMaker(pages, data, LocalDate.now(ZoneOffset.UTC)).home(layout),
                            Optional.empty());
                })
                .orElseGet(() -> new DraftPage(writer.home(frame), Optional.empty(), Optional.empty()));
    }

    private DraftPage written(PageFrame frame, List<PageNode> nodes, Optional<LayoutChoice> choice) {
        return written(frame, new SitePages.MadePage(nodes, choice, Optional.empty()));
    }

    private DraftPage written(PageFrame frame, SitePages.MadePage made) {
        var heads = new RecordHeads("", frame);
        return new DraftPage(
                writer.page(frame, PageHead.of(frame.name()), made.nodes()),
                made.choice(),
                made.head().map(head -> {
                    var page = heads.of(head, "");
                    return new DraftHead(page.title(), page.description(), page.hidden(), heads.pretty(head));
                }));
    }
}
