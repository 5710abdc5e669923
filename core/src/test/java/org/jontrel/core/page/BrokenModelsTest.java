package org.jontrel.core.page;

import java.time.LocalDate;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.IndexFilters;
import org.jontrel.core.page.index.IndexPage;
import org.jontrel.core.page.index.SampleFacts;
import org.jontrel.core.page.look.LookStyle;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.testng.annotations.Test;

/** Pages of a draft in which something was just removed that layouts, listings, conditions and looks still name. */
public class BrokenModelsTest {
    private static final int CASES = Integer.getInteger("laws", 80);
    private static final LocalDate TODAY = LocalDate.of(2026, 5, 12);

    /** Whatever is gone, every page is made: the finding says what is wrong, and the page shows the rest. */
    @Test
    public void pagesAreMadeWithoutWhatIsGone() {
        for (long seed = 1; seed <= CASES; seed++) {
            var model = new Models(seed).model();
            for (var definition : model.definitions()) {
                pages(model.without(definition.id()), "seed " + seed + " without " + definition.id());
                withoutFields(model, definition, seed);
            }
        }
    }

    private static void withoutFields(Model model, Definition definition, long seed) {
        if (definition instanceof ContentType type && !type.sections().isEmpty()) {
            pages(
                    model.with(type.withSections(
                            type.sections().subList(1, type.sections().size()))),
                    "seed " + seed + " without the first group of " + definition.id());
        }
    }

    private static void pages(Model model, String at) {
        try {
            pages(new PageModel(model));
        } catch (RuntimeException e) {
            throw new AssertionError(at, e);
        }
    }

    private static void pages(PageModel model) {
        for (var recordType : RecordType.all(model.model())) {
            if (!recordType.single()) {
                page(model, recordType);
            }
        }
        model.model().types().forEach(type -> index(model, type));
        model.home().ifPresent(home -> maker(model, model.needs(home)).home(home));
        for (var look : model.model().all(Look.class)) {
            LookStyle.css(look);
            maker(model, model.needs(look)).around(look);
        }
    }

    private static PageMaker maker(PageModel model, PageNeeds needs) {
        return new PageMaker(model, new SampleData(model, "Bench", needs), TODAY);
    }

    private static void page(PageModel model, RecordType recordType) {
        var needs = model.needs(recordType.id(), Layout.LayoutUse.PAGE);
        var data = new SampleData(model, "Bench", needs);
        var maker = new PageMaker(model, data, TODAY);
        var record = data.record(new Link(recordType.id(), 1)).orElseThrow();
        maker.page(record);
        maker.head(record);
    }

    private static void index(PageModel model, ContentType type) {
        var data = new SampleData(model, "Bench", model.indexNeeds(type));
        var filters = IndexFilters.of(model, type);
        new IndexPage(
                        model,
                        type,
                        new PageMaker(model, data, TODAY),
                        AskedList.nothing(filters),
                        SampleFacts.of(model, type, filters))
                .of(SampleFacts.found(data.some(type.id(), 3)));
    }
}
