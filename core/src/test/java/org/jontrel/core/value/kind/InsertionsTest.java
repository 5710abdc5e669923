package org.jontrel.core.value.kind;

import static org.testng.Assert.assertEquals;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.model.Kind;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Values and listings in formatted texts, as they are read. */
public class InsertionsTest {
    private static final Kind.RichText ALL = new Kind.RichText(null, EnumSet.allOf(Kind.Format.class));

    @DataProvider
    public Object[][] texts() {
        return new Object[][] {
            {"<p>Call <span data-value=\"fa.fb\"></span>.</p>", "<p>Call <span data-value=\"fa.fb\"></span>.</p>"},
            // what programs were given comes back with the words within
            {
                "<p hidden>Call <span data-value=\"fa\">+44 <b>1</b></span>.</p>",
                "<p>Call <span data-value=\"fa\"></span>.</p>"
            },
            {"<div data-listing=\"qa\" data-of=\"t 1\"><ul><li>One</li></ul></div>", "<div data-listing=\"qa\"></div>"},
            // alone in a text
            {"<p><span data-value=\"fa\"></span></p>", "<p><span data-value=\"fa\"></span></p>"},
            // listings stand between the outermost blocks
            {
                "<ul><li>One<div data-listing=\"qa\"></div></li></ul><p>Two</p>",
                "<ul><li>One</li></ul><div data-listing=\"qa\"></div><p>Two</p>"
            },
            // what names nothing is no reference, and its words stay
            {"<p><span data-value=\"\">Some</span> words</p>", "<p>Some words</p>"},
            {"<p><span data-value=\"a b\">Some</span> words</p>", "<p>Some words</p>"},
            {"<p><span data-value=\"a..b\">Some</span> words</p>", "<p>Some words</p>"},
            {"<p><span style=\"color: red\" onclick=\"go()\">Some</span> words</p>", "<p>Some words</p>"},
            {"<div>Some words</div>", "Some words"},
            {"<div data-listing=\"<script>\">Some words</div>", "Some words"},
            {
                "<p><span data-value=\"fa\" onclick=\"go()\" id=\"x\"></span></p>",
                "<p><span data-value=\"fa\"></span></p>"
            },
            {"<div data-listing=\"qa\" data-value=\"fa\"></div>", "<div data-listing=\"qa\"></div>"},
        };
    }

    @Test(dataProvider = "texts")
    public void whatIsReadHasOneForm(String sent, String read) {
        assertEquals(RichTextValues.clean(ALL, sent), read);
        assertEquals(RichTextValues.clean(ALL, read), read);
    }

    @Test
    public void fieldsSayWhetherEditorsMayInsert() {
        var text = "<p>Call <span data-value=\"fa\"></span>.</p><div data-listing=\"qa\"></div>";
        assertEquals(RichTextValues.clean(Kind.RichText.PLAIN, text), "<p>Call .</p>");
        assertEquals(
                RichTextValues.clean(new Kind.RichText(null, Set.of(Kind.Format.VALUES)), text),
                "<p>Call <span data-value=\"fa\"></span>.</p>");
        assertEquals(
                RichTextValues.clean(new Kind.RichText(null, Set.of(Kind.Format.LISTINGS)), text),
                "<p>Call .</p><div data-listing=\"qa\"></div>");
    }

    @Test
    public void whatATextHoldsIsNamedOnceInItsOrder() {
        var held = Insertions.of("<p><span data-value=\"fb\"></span><span data-value=\"fa\"></span>"
                + "<span data-value=\"fb\"></span></p><div data-listing=\"qa\"></div>");
        assertEquals(List.copyOf(held.values()), List.of("fb", "fa"));
        assertEquals(List.copyOf(held.listings()), List.of("qa"));
        assertEquals(Insertions.of("<p>data-values</p>").values(), Set.of());
    }
}
