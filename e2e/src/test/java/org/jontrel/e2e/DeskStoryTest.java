package org.jontrel.e2e;

import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;

/** An architect at the modelling desk of the Trust's whole model. */
abstract class DeskStoryTest {
    static final Page.GetByLabelOptions EXACTLY = new Page.GetByLabelOptions().setExact(true);
    Desk desk;
    Page page;

    @BeforeClass
    public void start() {
        desk = new Desk();
        page = desk.page;
    }

    @AfterMethod(alwaysRun = true)
    public void nothingWentWrongOnThePage() {
        assertEquals(desk.anna.errors(), List.of());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    void paste(Locator into, String text) {
        into.evaluate(
                "(element, text) => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " element.dispatchEvent(new ClipboardEvent('paste', {clipboardData: data, bubbles: true, cancelable: true})); }",
                text);
    }
}
