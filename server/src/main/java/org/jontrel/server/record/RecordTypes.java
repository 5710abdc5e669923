package org.jontrel.server.record;

import java.util.Arrays;
import org.jontrel.core.model.Definition;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.jontrel.site.Site;
import org.jontrel.site.table.Binding;
import org.springframework.stereotype.Component;

/** Content types, taxonomies and site values of sites, as addresses of the API name them. */
@Component
class RecordTypes {
    /** What stands in addresses for the sorts that hold records. */
    static final String SORTS = "{sort:types|taxonomies|values}";

    private final Sites sites;

    RecordTypes(Sites sites) {
        this.sites = sites;
    }

    /** A site's engine and the tables of one definition. */
    record BoundSite(String site, Site engine, Binding.BoundTables table) {
        String id() {
            return table.recordType().id();
        }
    }

    Site engine(String site) {
        return sites.engine(site);
    }

    BoundSite at(String site, String sort, String key) {
        var engine = sites.engine(site);
        var wanted = Arrays.stream(Definition.Sort.values())
                .filter(each -> each.folder().equals(sort))
                .findFirst()
                .orElseThrow(() -> Refusal.missing("There are no " + sort + " on sites."));
        return engine.installed()
                .table(wanted, key)
                .map(table -> new BoundSite(site, engine, table))
                .orElseThrow(() -> Refusal.missing("The site " + site + " has no " + wanted.noun() + " " + key + "."));
    }
}
