package org.jontrel.server.web;

import static org.testng.Assert.assertEquals;

import java.util.List;
import org.springframework.boot.context.properties.bind.Binder;
import org.testng.annotations.Test;

/** What holds where nobody has set anything. */
public class SettingsTest {
    /** Tests hash passwords with fewer rounds, to be quick; an installation must not. */
    @Test
    public void passwordsAreHashedSlowly() {
        assertEquals(
                new Binder(List.of()).bindOrCreate("jontrel", Settings.class).passwordRounds(), 11);
    }
}
