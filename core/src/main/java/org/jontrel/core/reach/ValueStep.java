package org.jontrel.core.reach;

import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.model.block.ValuePath;

/** One step of the way to a value. */
public sealed interface ValueStep {
    String id();

    String key();

    String label();

    /** Whether it leads to more than one thing. */
    boolean many();

    /** A field, a standard part among them. */
    record OfField(Field field) implements ValueStep {
        @Override
        public String id() {
            return field.id();
        }

        @Override
        public String key() {
            return field.key();
        }

        @Override
        public String label() {
            return field.label();
        }

        @Override
        public boolean many() {
            return field.kind() instanceof Kind.Repeater
                    || field.kind().amount().many();
        }
    }

    /** The terms of a taxonomy that a record has. */
    record OfTerms(Taxonomy taxonomy, TaxonomyUse use) implements ValueStep {
        @Override
        public String id() {
            return taxonomy.id();
        }

        @Override
        public String key() {
            return taxonomy.key();
        }

        @Override
        public String label() {
            return many() ? taxonomy.plural() : taxonomy.singular();
        }

        @Override
        public boolean many() {
            return use.max() == null || use.max() != 1;
        }
    }

    /** The records that lead here by a relation. */
    record Leading(ContentType from, Field relation, Kind.Inverse inverse) implements ValueStep {
        @Override
        public String id() {
            return inverse.id();
        }

        @Override
        public String key() {
            return inverse.key();
        }

        @Override
        public String label() {
            return inverse.label();
        }

        @Override
        public boolean many() {
            return inverse.many();
        }
    }

    /** The records of a type that have this term, or one under it. */
    record Having(ContentType from) implements ValueStep {
        @Override
        public String id() {
            return from.id();
        }

        @Override
        public String key() {
            return from.key();
        }

        @Override
        public String label() {
            return from.plural();
        }

        @Override
        public boolean many() {
            return true;
        }
    }

    /** The record that this one stands under. */
    record Above() implements ValueStep {
        @Override
        public String id() {
            return ValuePath.PARENT;
        }

        @Override
        public String key() {
            return "parent";
        }

        @Override
        public String label() {
            return "Above it";
        }

        @Override
        public boolean many() {
            return false;
        }
    }

    /** What is there once for the whole site. */
    record OfSite() implements ValueStep {
        @Override
        public String id() {
            return ValuePath.SITE;
        }

        @Override
        public String key() {
            return "site";
        }

        @Override
        public String label() {
            return "Site";
        }

        @Override
        public boolean many() {
            return false;
        }
    }

    /** What the site is called. */
    record SiteName() implements ValueStep {
        @Override
        public String id() {
            return ValuePath.SITE_NAME;
        }

        @Override
        public String key() {
            return "name";
        }

        @Override
        public String label() {
            return "Name of the site";
        }

        @Override
        public boolean many() {
            return false;
        }
    }

    /** Values of the site. */
    record OfValues(SiteValues values) implements ValueStep {
        @Override
        public String id() {
            return values.id();
        }

        @Override
        public String key() {
            return values.key();
        }

        @Override
        public String label() {
            return values.title();
        }

        @Override
        public boolean many() {
            return false;
        }
    }
}
