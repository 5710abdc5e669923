package org.jontrel.core.page.look;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Look;
import org.jontrel.core.page.node.ReadableInk;
import org.testng.annotations.Test;

/** Style sheets of looks, and what their colours are held to. */
public class LookStyleTest {
    @Test
    public void everyShippedLookCanBeReadAndIsUnlikeTheOthers() {
        for (var shipped : ShippedLook.values()) {
            var colours = shipped.look().colours();
            LookColours.inks(colours)
                    .forEach(ink -> assertTrue(
                            ReadableInk.contrast(ink.colour(), colours.ground()) >= LookColours.LEAST,
                            shipped + " " + ink));
        }
        assertEquals(
                Stream.of(ShippedLook.values())
                        .map(each -> each.look().header() + " " + each.look().text()
                                + each.look().corners())
                        .collect(Collectors.toSet())
                        .size(),
                3);
    }

    @Test
    public void aReadableShadeIsFoundForEveryColourOnEveryGround() {
        var random = new Random(7);
        for (int i = 0; i < 2_000; i++) {
            var ground = colour(random);
            var shade = LookColours.readable(colour(random), ground);
            assertTrue(ReadableInk.contrast(shade, ground) >= LookColours.LEAST, shade + " on " + ground);
        }
        assertEquals(LookColours.readable("#000000", "#ffffff"), "#000000");
    }

    private static String colour(Random random) {
        return String.format("#%06x", random.nextInt(0x1000000));
    }

    /** Colours that are none, and rules that load something, are left out: pages stay as they should be. */
    @Test
    public void whatIsWrongWithALookReachesNoPage() {
        var plain = ShippedLook.PLAIN.look();
        var wrong = new Look(
                "",
                "wrong",
                "Wrong",
                "",
                plain.text(),
                plain.headings(),
                plain.size(),
                plain.scale(),
                new Look.Palette("red; } body { display: none", "", "#12", "url(x)", "#24435c", "#f2c14e"),
                plain.corners(),
                plain.spacing(),
                plain.width(),
                plain.header(),
                "",
                plain.navigation(),
                plain.footer(),
                "@import 'x.css';");
        assertEquals(LookStyle.css(wrong), LookStyle.css(plain));
        assertFalse(LookStyle.css(plain).contains("url("));
    }

    @Test
    public void aLookHasItsOwnRulesBehindItsValues() {
        var plain = ShippedLook.PLAIN.look();
        assertTrue(LookStyle.css(plain).startsWith(":root {\n  --ground: #ffffff;\n"));
        assertTrue(LookStyle.css(ShippedLook.NIGHT.look()).contains("color-scheme: dark"));
        assertTrue(LookStyle.css(plain).contains("color-scheme: light"));
    }
}
