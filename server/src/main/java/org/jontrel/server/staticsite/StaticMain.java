package org.jontrel.server.staticsite;

import java.io.IOException;
import java.nio.file.Path;
import org.jontrel.server.Application;
import org.jontrel.server.site.Sites;
import org.springframework.boot.Banner;
import org.springframework.boot.builder.SpringApplicationBuilder;

/** {@code ./jontrel static SITE FOLDER [ADDRESS]}: writes a site's pages into a folder. */
public final class StaticMain {
    private static final int OFTEN = 100;

    private StaticMain() {}

    public static void main(String[] arguments) {
        System.exit(run(arguments));
    }

    private static int run(String[] arguments) {
        if (arguments.length < 2 || arguments.length > 3) {
            return refused("use: ./jontrel static SITE FOLDER [ADDRESS]");
        }
        try {
            var address = StaticPages.address(arguments.length < 3 ? "" : arguments[2]);
            var target = FolderTarget.empty(Path.of(arguments[1]));
            try (var context = new SpringApplicationBuilder(Application.class)
                    .bannerMode(Banner.Mode.OFF)
                    .logStartupInfo(false)
                    .run("--server.port=0", "--logging.level.root=ERROR")) {
                if (context.getBean(Sites.class).find(arguments[0]).isEmpty()) {
                    return refused("there is no site " + arguments[0] + ".");
                }
                context.getBean(StaticSites.class).write(arguments[0], address, target, StaticMain::say);
            }
            return 0;
        } catch (IllegalArgumentException e) {
            return refused("“" + e.getMessage() + "” is no address of a site. Give one that begins with https://.");
        } catch (IOException e) {
            return refused(e.getMessage());
        }
    }

    private static int refused(String why) {
        System.err.println("jontrel: " + why);
        return 2;
    }

    private static void say(StaticProgress progress) {
        if (progress.done()) {
            System.out.println(
                    progress.pages() + " pages and " + progress.files() + " pictures and files are written.");
        } else if (progress.pages() % OFTEN == 0) {
            System.err.println(progress.pages() + " of " + progress.known() + " pages ...");
        }
    }
}
