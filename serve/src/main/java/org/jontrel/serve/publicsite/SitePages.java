package org.jontrel.serve.publicsite;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.page.LayoutChoice;
import org.jontrel.core.page.PageData;
import org.jontrel.core.page.PageMaker;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.PageNeeds;
import org.jontrel.core.page.PageRecord;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.IndexPage;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.page.node.RecordHead;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.page.IndexReader;
import org.jontrel.site.page.PageReader;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;

/** What stands on the pages of one site. */
public final class SitePages {
    private final Site site;
    private final PageModel model;
    private final String siteName;
    private final Audience audience;

    public SitePages(Site site, PageModel model, String siteName, Audience audience) {
        this.site = site;
        this.model = model;
        this.siteName = siteName;
        this.audience = audience;
    }

    private PageData read(String type, Collection<StoredRecord> records, PageNeeds needs) {
        return PageReader.read(site, model, audience, siteName, type, records, needs);
    }

    private PageMaker maker(PageData data) {
        return new PageMaker(model, data, LocalDate.now(ZoneOffset.UTC));
    }

    private PageData whole(String type, StoredRecord record, PageNeeds needs) {
        return PageReader.read(
                site, model, audience, siteName, new PageReader.Given(type, List.of(record), true), needs);
    }

    /** A page, and what stands in its head. */
    public record HeadedPage(List<PageNode> nodes, RecordHead head) {}

    /** The page of a record or term with all of its fields; empty where it may not be seen. */
    public Optional<HeadedPage> page(RecordType recordType, StoredRecord record) {
        var data = whole(recordType.id(), record, model.needs(recordType.id(), Layout.LayoutUse.PAGE));
        var maker = maker(data);
        return data.record(new Link(recordType.id(), record.id()))
                .map(each -> new HeadedPage(maker.page(each), maker.head(each)));
    }

    /** What lists tell of a record: where its page is, and what its head says. */
    record HeadedRecord(PageRecord record, RecordHead head) {}

    /** The heads of several records; those that have no page are left out. */
    List<HeadedRecord> heads(RecordType recordType, List<StoredRecord> records) {
        var data = read(recordType.id(), records, model.headNeeds(recordType.id()));
        var maker = maker(data);
        return seen(recordType, records, data).stream()
                .filter(record -> !record.address().isEmpty())
                .map(record -> new HeadedRecord(record, maker.head(record)))
                .toList();
    }

    /** What stands for a record, the layout that it got, and what the head of its page says. */
    public record MadePage(List<PageNode> nodes, Optional<LayoutChoice> choice, Optional<RecordHead> head) {}

    /** The page of a record, or records as cards or lines. */
    public MadePage made(String type, List<StoredRecord> records, Layout.LayoutUse use) {
        var data = read(type, records, model.needs(type, use));
        var seen = records.stream()
                .flatMap(record -> data.record(new Link(type, record.id())).stream())
                .toList();
        if (seen.isEmpty()) {
            return new MadePage(List.of(), Optional.empty(), Optional.empty());
        }
        var maker = maker(data);
        var nodes =
                switch (use) {
                    case PAGE -> maker.page(seen.getFirst());
                    case CARD -> maker.items(PageNode.ItemsForm.CARDS, seen, 2);
                    case ROW -> maker.items(PageNode.ItemsForm.LINES, seen, 2);
                };
        var head =
                use == Layout.LayoutUse.PAGE ? Optional.of(maker.head(seen.getFirst())) : Optional.<RecordHead>empty();
        return new MadePage(nodes, Optional.of(maker.choice(seen.getFirst(), use)), head);
    }

    /** The index of a type, as somebody asks for it by its address. */
    public List<PageNode> index(ContentType type, Map<String, List<String>> parameters) {
        var reader = new IndexReader(site, model, audience, siteName, type);
        var read = reader.read(AskedList.of(reader.filters(), parameters));
        return new IndexPage(model, type, maker(read.data()), read.asked(), read.facts()).of(read.found());
    }

    /** The home page that somebody has laid out. */
    public Optional<List<PageNode>> home() {
        return model.home()
                .map(layout -> maker(read("", List.of(), model.needs(layout))).home(layout));
    }

    /** What stands around all pages. */
    PageMaker.AroundPages around(Look look) {
        return maker(read("", List.of(), model.needs(look))).around(look);
    }

    /** Records as cards. @param level of their headings */
    List<PageNode> cards(RecordType recordType, Collection<StoredRecord> records, int level) {
        var data = read(recordType.id(), records, model.needs(recordType.id(), Layout.LayoutUse.CARD));
        return maker(data).items(PageNode.ItemsForm.CARDS, seen(recordType, records, data), level);
    }

    /** The fields that cards need. */
    Set<String> onCards(RecordType recordType) {
        return model.needs(recordType.id(), Layout.LayoutUse.CARD).fields();
    }

    private static List<PageRecord> seen(RecordType recordType, Collection<StoredRecord> records, PageData data) {
        return records.stream()
                .flatMap(record -> data.record(new Link(recordType.id(), record.id())).stream())
                .toList();
    }

    /** Terms as the tree that they are; one below a term that is not among them stands at the top. */
    List<PageNode> tree(RecordType taxonomy, List<StoredRecord> terms) {
        if (terms.isEmpty()) {
            return List.of(text("Nothing here yet."));
        }
        var addresses = site.records().addresses(taxonomy.id(), terms);
        var there = terms.stream().map(StoredRecord::id).collect(Collectors.toSet());
        var below = new HashMap<Long, List<StoredRecord>>();
        terms.forEach(term -> below.computeIfAbsent(
                        term.parent().map(Link::id).filter(there::contains).orElse(0L), _ -> new ArrayList<>())
                .add(term));
        return List.of(new PageNode.TreeNode(branches(taxonomy, 0, below, addresses)));
    }

    private static List<PageNode.Branch> branches(
            RecordType taxonomy, long parent, Map<Long, List<StoredRecord>> below, Map<Long, String> addresses) {
        return below.getOrDefault(parent, List.of()).stream()
                .map(term -> new PageNode.Branch(
                        List.of(new InlineNode.LinkRun(
                                term.title(),
                                new PageAddress.InsideSite(taxonomy.path() + "/" + addresses.get(term.id())),
                                false)),
                        branches(taxonomy, term.id(), below, addresses)))
                .toList();
    }

    static PageNode text(String words) {
        return new PageNode.TextNode(TextRole.PLAIN, List.of(new InlineNode.WordRun(words)));
    }

    static List<PageNode> headed(String heading, String lead, List<PageNode> nodes) {
        var all = new ArrayList<PageNode>();
        all.add(new PageNode.HeadingNode(1, List.of(new InlineNode.WordRun(heading)), false));
        if (!lead.isEmpty()) {
            all.add(new PageNode.TextNode(TextRole.LEAD, List.of(new InlineNode.WordRun(lead))));
        }
        all.addAll(nodes);
        return all;
    }
}
