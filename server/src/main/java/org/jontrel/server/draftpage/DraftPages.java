package org.jontrel.server.draftpage;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Model;
import org.jontrel.core.page.LayoutChoice;
import org.jontrel.core.page.PageMaker;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.SampleData;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.page.node.RecordHead;
import org.jontrel.core.value.Link;
import org.jontrel.serve.publicsite.Frames;
import org.jontrel.serve.publicsite.PageFrame;
import org.jontrel.serve.publicsite.PageHead;
import org.jontrel.serve.publicsite.PageWriter;
import org.jontrel.serve.publicsite.RecordHeads;
import org.jontrel.serve.publicsite.SitePages;
import org.jontrel.server.site.Sites;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;
import org.springframework.stereotype.Component;

/** How the layouts of a draft show the records of a site that has another release, or made-up ones. */
@Component
public class DraftPages {
    private static final int CARDS = 6;
    private final PageWriter writer;
    private final Frames frames;

    DraftPages(PageWriter writer, Frames frames) {
        this.frames = frames;
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
     * What a site has installed, with the layouts, listings, page parts, looks, indexes and wordings of a draft: those change nothing in a
     * database.
     */
    public static Model laidOut(Model installed, Model draft) {
        var model = installed;
        for (var each : installed.definitions()) {
            if (each.isOfPages()) {
                model = model.without(each.id());
            }
        }
        for (var each : draft.definitions()) {
            if (each.isOfPages()) {
                model = model.with(each);
            } else if (each instanceof ContentType type) {
                var before = model.find(ContentType.class, type.id());
                model = before.isPresent() ? model.with(before.get().withPagesOf(type)) : model;
            }
        }
        return model;
    }

    /**
     * A site with the pages of a draft.
     *
     * @param look id of the look; empty for the one that the site would get
     */
    public record DraftSite(Sites.Registered site, Site engine, Model model, String look, Audience audience) {
        SitePages pages(PageModel pageModel) {
            return new SitePages(engine, pageModel, site.name(), audience);
        }
    }

    private PageFrame frame(DraftSite site, PageModel model) {
        return frames.of(
                site.site(),
                site.engine(),
                model,
                site.look().isEmpty() ? site.site().settings().look() : site.look(),
                site.audience());
    }

    /** The page, card or line of a record of a site. */
    public DraftPage of(DraftSite site, StoredRecord record, String type, Layout.LayoutUse use) {
        var model = new PageModel(site.model());
        return written(frame(site, model), site.pages(model).made(type, List.of(record), use));
    }

    /** The home page of a site. */
    public DraftPage home(DraftSite site) {
        var model = new PageModel(site.model());
        var frame = frame(site, model);
        return site.pages(model)
                .home()
                .map(nodes -> written(frame, nodes, Optional.empty()))
                .orElseGet(() -> bare(frame));
    }

    /** A home page that nobody has laid out. */
    private DraftPage bare(PageFrame frame) {
        return new DraftPage(writer.home(frame), Optional.empty(), Optional.empty());
    }

    /** The index of a type of a site, as nobody has narrowed it. */
    public DraftPage index(DraftSite site, ContentType type) {
        var model = new PageModel(site.model());
        return written(frame(site, model), site.pages(model).index(type, Map.of()), Optional.empty());
    }

    /** The index of a type with made-up records. */
    public DraftPage sampleIndex(String name, Model model, ContentType type) {
        var pages = new PageModel(model);
        var nodes = ProofPages.sampleIndex(pages, name, type);
        return written(frames.sample(name, pages, ""), nodes, Optional.empty());
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
        return written(frames.sample(name, pages, ""), new SitePages.MadePage(nodes, choice, head));
    }

    /** The home page with made-up records. @param look id of the look; empty for the first of the model */
    public DraftPage sampleHome(String name, Model model, String look) {
        var pages = new PageModel(model);
        var frame = frames.sample(name, pages, look);
        return pages.home()
                .map(layout -> {
                    var data = new SampleData(pages, name, pages.needs(layout));
                    return written(
                            frame,
                            new PageMaker(pages, data, LocalDate.now(ZoneOffset.UTC)).home(layout),
                            Optional.empty());
                })
                .orElseGet(() -> bare(frame));
    }

    private DraftPage written(PageFrame frame, List<PageNode> nodes, Optional<LayoutChoice> choice) {
        return written(frame, new SitePages.MadePage(nodes, choice, Optional.empty()));
    }

    private DraftPage written(PageFrame frame, SitePages.MadePage made) {
        var heads = new RecordHeads(frame.home(), frame.name(), frame.links());
        return new DraftPage(
                writer.page(frame, PageHead.of(frame.name()), made.nodes()),
                made.choice(),
                made.head().map(head -> {
                    var page = heads.of(head, "");
                    return new DraftHead(page.title(), page.description(), page.hidden(), heads.pretty(head));
                }));
    }
}
