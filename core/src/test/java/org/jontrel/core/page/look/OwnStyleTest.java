package org.jontrel.core.page.look;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What rules of somebody's own may say, and what they are refused for. */
public class OwnStyleTest {
    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {"@import \"https://example.org/x.css\";"},
            {"@import url(https://example.org/x.css);"},
            {"@font-face { font-family: x; src: url(https://example.org/x.woff2) }"},
            {"main { background: url(https://example.org/x.png) }"},
            {"main { background: url('https://example.org/x.png') }"},
            {"main { background: URL( https://example.org/x.png ) }"},
            {"main { background: u\\72l(https://example.org/x.png) }"},
            {"main { background: u/**/rl(https://example.org/x.png) }"},
            {"main { background: image-set('https://example.org/x.png' 1x) }"},
            {"main { background: -webkit-image-set('https://example.org/x.png' 1x) }"},
            {"main { background: image('https://example.org/x.png') }"},
            {"main { background: cross-fade(url(x.png), red) }"},
            {"main { content: attr(href url) }"},
            {"main { --x: url(https://example.org/x.png); background: var(--x) }"},
            {"main { cursor: url(https://example.org/x.cur), auto }"},
            {"main { list-style: square url(x.png) }"},
            {"main { behavior: url(x.htc) }"},
            {"main { -moz-binding: url(x.xml#y) }"},
            {"main { width: expression(alert(1)) }"},
            {"main::after { position: fixed; inset: 0 }"},
            {"main::after { POSITION: Fixed }"},
            {"main::after { position: fixed !important }"},
            {"main::after { position: absolute; inset: 0 }"},
            {"main::after { position: sticky; top: 0 }"},
            {"main::after { position: var(--place) }"},
            {"main::after { position: inherit }"},
            {"@media screen { main::after { position: fixed } }"},
            {"@media screen { @import 'x.css'; }"},
            {"@supports (display: grid) { main { background: url(x.png) } }"},
            {"@layer a { main { background: url(x.png) } }"},
            {"@namespace x url(https://example.org/);"},
            {"@charset \"utf-7\";\nmain { color: red } </style><script>alert(1)</script>"},
            {"main::after { content: '</style><script>alert(1)</script>' }"},
            {"main::after { content: '<!--' }"},
            {"@page { margin: 0 }"},
            {"@keyframes x { from { position: fixed } }"},
            {"main { color: "},
            {"main color: red }"},
            {"{"},
            {"main { background: url(x.png"},
            {"a { b: " + "f(".repeat(6_000) + ")".repeat(6_000) + " }"},
            {":not(".repeat(3_000) + "a" + ")".repeat(3_000) + " { color: red }"},
            {"@media screen {".repeat(1_000) + "}".repeat(1_000)},
            {"a::after { content: '" + ")".repeat(8_000) + "' } a { b: " + "f(".repeat(3_000) + ")".repeat(3_000) + " }"
            },
            {"a".repeat(OwnStyle.LONGEST + 1)},
        };
    }

    /** Nothing of it is shown, not even what would be right alone. */
    @Test(dataProvider = "refused")
    public void whatLoadsOrLiesOverThePageIsRefused(String style) {
        var read = OwnStyle.of("h1 { color: #123456 }\n" + style);
        assertFalse(read.problems().isEmpty(), style);
        assertEquals(read.css(), "", style);
    }

    @DataProvider
    public Object[][] shown() {
        return new Object[][] {
            {"h1 { letter-spacing: .02em; text-transform: uppercase }", "letter-spacing"},
            {"main > article h2::before { content: '§ ' }", "content:'§ '"},
            {"@media (min-width: 60rem) { .cards { gap: 3rem } }", "gap:3rem"},
            {".facts:has(dd) { border-top: 1px dashed var(--line) }", "var(--line)"},
            {"h1 { font-size: clamp(2rem, 4vw, 3rem) }", "clamp(2rem"},
            {"body > header { background: linear-gradient(90deg, #123456, #654321) }", "linear-gradient(90deg"},
            {".cards > li:not(:first-child) { position: relative }", "position:relative"},
            {"a[href^='https'] { text-decoration-style: dotted }", "dotted"},
            {"/* a note */ p { margin: calc(1rem * 2) 0 }", "calc("},
        };
    }

    @Test(dataProvider = "shown")
    public void rulesForElementsAreShown(String style, String within) {
        var read = OwnStyle.of(style);
        assertEquals(read.problems(), List.of());
        assertTrue(read.css().contains(within), read.css());
        assertEquals(OwnStyle.of(read.css()).css(), read.css(), "written again it is the same");
    }

    @Test
    public void whereItCannotBeReadIsSaid() {
        var problem =
                OwnStyle.of("h1 { color: red }\nh2 { color }\n").problems().getFirst();
        assertTrue(problem instanceof OwnStyle.Unreadable unreadable && unreadable.line() == 2, problem.toString());
    }
}
