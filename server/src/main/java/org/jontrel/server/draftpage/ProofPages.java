package org.jontrel.server.draftpage;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Model;
import org.jontrel.core.page.PageMaker;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.SampleData;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.IndexFilters;
import org.jontrel.core.page.index.IndexPage;
import org.jontrel.core.page.index.SampleFacts;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.value.Link;
import org.jontrel.serve.publicsite.Frames;
import org.jontrel.serve.publicsite.PageFrame;
import org.jontrel.serve.publicsite.PageHead;
import org.jontrel.serve.publicsite.PageWriter;
import org.springframework.stereotype.Component;

/** Public pages of a type that is still being defined, with made-up records; made and written as those of sites. */
@Component
public class ProofPages {
    private static final int CARDS = 6;
    private final PageWriter writer;
    private final Frames frames;

    ProofPages(PageWriter writer, Frames frames) {
        this.frames = frames;
        this.writer = writer;
    }

    /** @param page of one record; @param index of some */
    public record ProofLook(String page, String index) {}

    public ProofLook of(String site, Model model, ContentType type) {
        var pages = new PageModel(model);
        var frame = frames.sample(site, pages, "");
        return new ProofLook(page(pages, frame, type), index(pages, frame, type));
    }

    private String page(PageModel pages, PageFrame frame, ContentType type) {
        var data = new SampleData(pages, frame.name(), pages.needs(type.id(), Layout.LayoutUse.PAGE));
        var record = data.record(new Link(type.id(), 1)).orElseThrow();
        return writer.page(
                frame,
                PageHead.of(record.title() + " · " + frame.name()),
                maker(pages, data).page(record));
    }

    private String index(PageModel pages, PageFrame frame, ContentType type) {
        return writer.page(
                frame, PageHead.of(type.plural() + " · " + frame.name()), sampleIndex(pages, frame.name(), type));
    }

    /** The index of a type with made-up records. */
    static List<PageNode> sampleIndex(PageModel pages, String site, ContentType type) {
        var data = new SampleData(pages, site, pages.indexNeeds(type));
        var filters = IndexFilters.of(pages, type);
        return new IndexPage(
                        pages,
                        type,
                        maker(pages, data),
                        AskedList.nothing(filters),
                        SampleFacts.of(pages, type, filters))
                .of(SampleFacts.found(data.some(type.id(), CARDS)));
    }

    private static PageMaker maker(PageModel pages, SampleData data) {
        return new PageMaker(pages, data, LocalDate.now(ZoneOffset.UTC));
    }
}
