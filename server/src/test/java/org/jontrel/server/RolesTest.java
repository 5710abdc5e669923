package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.springframework.http.server.PathContainer;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Who may do what: every way to ask for something, and the role it takes. */
public class RolesTest extends TrialServerTest {
    /** Every way to change something: who is let through. An odd id or body is fine; only 401 and 403 count. */
    @DataProvider
    public Object[][] ways() {
        var draft = "/api/workspaces/tessel/draft";
        return new Object[][] {
            {"POST", "/api/accounts", "architect"},
            {"GET", "/api/accounts", "architect"},
            {"PUT", "/api/accounts/1", "architect"},
            {"DELETE", "/api/accounts/1", "architect"},
            {"POST", "/api/accounts/1/reset", "architect"},
            {"GET", "/api/accounts/1/sessions", "architect"},
            {"DELETE", "/api/accounts/1/sessions", "architect"},
            {"GET", "/api/trail", "architect"},
            {"PUT", "/api/account/password", "viewer"},
            {"PUT", "/api/withdrawals/none", "viewer"},
            {"GET", "/api/account/sessions", "viewer"},
            {"DELETE", "/api/account/sessions/none", "viewer"},
            {"POST", "/api/reset", "nobody"},
            {"POST", "/api/workspaces", "architect"},
            {"POST", "/api/workspaces/import", "architect"},
            {"POST", draft + "/definitions", "architect"},
            {"PUT", draft + "/definitions/" + TYPE, "architect"},
            {"DELETE", draft + "/definitions/none", "architect"},
            {"POST", draft + "/definitions/none/discard", "architect"},
            {"POST", draft + "/definitions/none/share", "architect"},
            {"POST", draft + "/definitions/none/own", "architect"},
            {"POST", draft + "/definitions/none/code", "architect"},
            {"POST", draft + "/edits/999999", "architect"},
            {"POST", draft + "/fix", "architect"},
            {"POST", draft + "/infer", "architect"},
            {"POST", draft + "/terms", "architect"},
            {"POST", draft + "/copy", "architect"},
            {"POST", draft + "/incoming", "architect"},
            {"POST", draft + "/take", "architect"},
            {"GET", "/api/workspaces/tessel/workbooks", "viewer"},
            {"POST", "/api/workspaces/tessel/workbooks", "architect"},
            {"GET", "/api/workspaces/tessel/workbooks/1", "viewer"},
            {"PUT", "/api/workspaces/tessel/workbooks/1/choices?chosen=0", "architect"},
            {"POST", "/api/workspaces/tessel/workbooks/1/take?revision=0&chosen=0", "architect"},
            {"DELETE", "/api/workspaces/tessel/workbooks/1", "architect"},
            {"GET", draft + "/edits", "viewer"},
            {"GET", draft + "/changes", "viewer"},
            {"GET", draft + "/package", "viewer"},
            {"POST", "/api/workspaces/tessel/presence", "viewer"},
            {"GET", "/api/sites/trial/impact", "viewer"},
            {"POST", draft + "/undo", "architect"},
            {"POST", draft + "/redo", "architect"},
            {"POST", "/api/workspaces/tessel/releases", "architect"},
            {"PUT", "/api/workspaces/tessel/releases/9.9.9/decisions", "architect"},
            {"PUT", draft + "/decisions", "architect"},
            {"POST", "/api/workspaces/tessel/sites", "architect"},
            {"GET", "/api/sites/trial/archive", "architect"},
            {"POST", "/api/workspaces/tessel/sites/archive", "architect"},
            {"POST", "/api/sites/trial/runs", "architect"},
            {"POST", "/api/sites/trial/runs/1/continue", "architect"},
            {"POST", "/api/sites/trial/runs/1/undo", "architect"},
            {"POST", "/api/sites/trial/runs/1/pause", "architect"},
            {"POST", "/api/sites/trial/runs/1/give-up", "architect"},
            {"POST", "/api/sites/trial/rehearsals", "architect"},
            {"POST", "/api/sites/trial/drift/look", "architect"},
            {"POST", "/api/sites/trial/drift/mend", "architect"},
            {"POST", "/api/sites/trial/drift/take", "architect"},
            {"GET", "/api/access", "viewer"},
            {"GET", "/api/workspaces/tessel/access-tokens", "architect"},
            {"POST", "/api/workspaces/tessel/access-tokens", "architect"},
            {"DELETE", "/api/workspaces/tessel/access-tokens/1", "architect"},
            {"POST", draft + "/package", "architect"},
            {"POST", draft + "/package/merge", "architect"},
            {"POST", "/api/workspaces/tessel/releases/1.0.0/send", "architect"},
            {"POST", "/api/sites/trial/plan", "architect"},
            {"GET", "/api/workspaces/tessel/generate", "viewer"},
            {"GET", "/api/workspaces/tessel/generate/typescript", "viewer"},
            {"GET", "/api/workspaces/tessel/generate/typescript/zip", "viewer"},
            {"DELETE", "/api/sites/trial/rehearsals/1/copy", "architect"},
            {"GET", "/api/sites/trial/held", "viewer"},
            {"GET", "/api/sites/trial/held/none", "viewer"},
            {"GET", "/api/sites/trial/held/none/export.csv", "viewer"},
            {"POST", "/api/sites/trial/held/none/bring-back", "architect"},
            {"DELETE", "/api/sites/trial/held?name=none", "architect"},
            {"POST", "/api/sites/trial/types/mooring/records", "editor"},
            {"PUT", "/api/sites/trial/types/mooring/records/1", "editor"},
            {"DELETE", "/api/sites/trial/types/mooring/records/1?version=1", "editor"},
            {"POST", "/api/sites/trial/types/mooring/records/1/back", "editor"},
            {"POST", "/api/sites/trial/types/mooring/records/1/restore", "editor"},
            {"POST", "/api/sites/trial/types/mooring/check", "editor"},
            {"POST", "/api/sites/trial/types/mooring/bulk", "editor"},
            {"GET", "/api/sites/trial/imports", "viewer"},
            {"POST", "/api/sites/trial/imports", "editor"},
            {"GET", "/api/sites/trial/imports/1", "viewer"},
            {"GET", "/api/sites/trial/imports/1/progress", "viewer"},
            {"DELETE", "/api/sites/trial/imports/1", "editor"},
            {"PUT", "/api/sites/trial/imports/1/mapping?revision=1", "editor"},
            {"GET", "/api/sites/trial/imports/1/sheets/0/proposal?use=skip", "viewer"},
            {"GET", "/api/sites/trial/imports/1/sheets/0/rows", "viewer"},
            {"GET", "/api/sites/trial/imports/1/sheets/0/changes?rows=2", "viewer"},
            {"PUT", "/api/sites/trial/imports/1/sheets/0/replacements", "editor"},
            {"PUT", "/api/sites/trial/imports/1/sheets/0/cells", "editor"},
            {"POST", "/api/sites/trial/imports/1/files", "editor"},
            {"GET", "/api/samples", "viewer"},
            {"GET", "/api/samples/rope-walk/package", "viewer"},
            {"GET", "/api/samples/rope-walk/picture", "viewer"},
            {"POST", "/api/sites/trial/imports/samples/rope-walk", "editor"},
            {"POST", "/api/sites/trial/imports/1/try", "editor"},
            {"POST", "/api/sites/trial/imports/1/run", "editor"},
            {"POST", "/api/sites/trial/imports/1/pause", "editor"},
            {"GET", "/api/sites/trial/imports/1/undo-plan", "viewer"},
            {"POST", "/api/sites/trial/imports/1/undo", "editor"},
            {"GET", "/api/sites/trial/imports/1/failed.xlsx", "viewer"},
            {"GET", "/api/sites/trial/imports/1/sheets/0/failed.csv", "viewer"},
            {"GET", "/api/sites/trial/mappings", "viewer"},
            {"GET", "/api/sites/trial/mappings/none", "viewer"},
            {"PUT", "/api/sites/trial/mappings/none", "editor"},
            {"DELETE", "/api/sites/trial/mappings/none", "editor"},
            {"POST", "/api/sites/trial/types/mooring/merge", "editor"},
            {"POST", "/api/sites/trial/types/mooring/fields/photo/files", "editor"},
            {"PUT", "/api/sites/trial/taxonomies/none/records/1", "editor"},
            {"PUT", "/api/sites/trial/values/none/records/1", "editor"},
            {"PUT", "/api/sites/trial/media/1", "editor"},
            {"DELETE", "/api/sites/trial/media/1", "editor"},
            {"GET", "/api/sites/trial/media", "viewer"},
            {"GET", "/api/sites/trial/media/1", "viewer"},
            {"GET", "/api/record-parts", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/count", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/insertions", "viewer"},
            {"GET", "/api/sites/trial/static", "viewer"},
            {"GET", "/api/looks", "viewer"},
            {"GET", "/api/sites/trial/settings", "viewer"},
            {"PUT", "/api/sites/trial/settings", "architect"},
            {"GET", "/api/sites/trial/static/mine", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/export.csv", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/records/1", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/records/1/history", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/export.xlsx", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/views", "viewer"},
            {"PUT", "/api/sites/trial/types/mooring/views", "editor"},
            {"DELETE", "/api/sites/trial/types/mooring/views?name=none", "editor"},
            {"POST", "/api/sites/trial/types/mooring/preview", "editor"},
            {"POST", "/api/sites/trial/types/mooring/records/1/ends", "editor"},
            {"GET", "/api/sites/trial/tokens", "architect"},
            {"POST", "/api/sites/trial/tokens", "architect"},
            {"DELETE", "/api/sites/trial/tokens/1", "architect"},
            {"GET", "/at/trial/api", "nobody"},
            {"GET", "/at/trial/api/openapi.json", "nobody"},
            {"GET", "/at/trial/api/moorings", "nobody"},
            {"GET", "/at/trial/api/moorings/1", "nobody"},
            {"GET", "/at/trial/api/taxonomies/none", "nobody"},
            {"GET", "/at/trial/api/taxonomies/none/1", "nobody"},
            {"GET", "/at/trial/api/values/none", "nobody"},
            {"GET", "/at/trial/api/media/1", "nobody"},
            {"GET", "/at/trial/api/media", "program"},
            {"POST", "/at/trial/api/moorings", "program"},
            {"PUT", "/at/trial/api/moorings/1", "program"},
            {"PATCH", "/at/trial/api/moorings/1", "program"},
            {"DELETE", "/at/trial/api/moorings/1", "program"},
            {"POST", "/at/trial/api/taxonomies/none", "program"},
            {"PATCH", "/at/trial/api/taxonomies/none/1", "program"},
            {"DELETE", "/at/trial/api/taxonomies/none/1", "program"},
            {"PATCH", "/at/trial/api/values/none", "program"},
            {"GET", "/api/workspaces", "viewer"},
            {"GET", draft, "viewer"},
            {"GET", "/api/workspaces/tessel/releases", "viewer"},
            {"GET", "/api/workspaces/tessel/versions", "viewer"},
            {"GET", "/api/workspaces/tessel/releases/1.0.0/package", "viewer"},
            {"GET", "/api/workspaces/tessel/next", "viewer"},
            {"GET", "/api/sites/trial/plan?version=1.0.0", "viewer"},
            {"GET", "/api/sites/trial/plan/values?version=1.0.0&field=frise", "viewer"},
            {"GET", "/api/sites/trial/plan/samples?version=1.0.0", "viewer"},
            {"GET", "/api/sites/trial/runs", "viewer"},
            {"GET", "/api/sites/trial/rehearsals", "viewer"},
            {"GET", "/api/sites/trial/drift", "viewer"},
            {"GET", "/api/sites/trial/rehearsals/1", "viewer"},
            {"GET", "/api/sites/trial/record-types", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/records", "viewer"},
            {"POST", "/api/proof/tessel", "viewer"},
            {"POST", "/api/proof/tessel/look", "viewer"},
            {"POST", "/api/proof/tessel/page", "viewer"},
            {"GET", "/api/workspaces/tessel/pages/ways", "viewer"},
            {"GET", "/api/workspaces/tessel/pages/derived?type=t&use=page", "viewer"},
            {"POST", "/api/workspaces/tessel/pages/own?type=t&use=page", "architect"},
            {"GET", "/api/proof/schemas", "viewer"},
            {"GET", "/api/proof/help", "viewer"},
            {"POST", "/api/proof/names", "viewer"},
            {"GET", "/api/workspaces/tessel/sites", "viewer"},
            {"GET", "/api/sites/trial/runs/1/undo-plan", "viewer"},
            {"GET", "/api/sites/trial/runs/1/new-types", "viewer"},
            {"GET", "/api/sites/trial/runs/1", "viewer"},
            {"GET", "/api/sites/trial/runs/1/events", "viewer"},
            {"GET", "/api/session", "nobody"},
            {"GET", "/at/trial/", "nobody"},
            {"GET", "/at/trial/media/1", "nobody"},
            {"GET", "/at/trial/sitemap.xml", "nobody"},
            {"GET", "/at/trial/robots.txt", "nobody"},
            {"GET", "/at/trial/look.css", "nobody"},
            {"GET", "/public/plain.css", "nobody"},
            {"GET", "/at/trial/moorings/feed.xml", "nobody"},
            {"GET", "/robots.txt", "nobody"},
            {"GET", "/at/trial/moorings/", "nobody"},
            {"GET", "/actuator/health", "nobody"},
        };
    }

    @Test(dataProvider = "ways")
    public void everyRoleMayDoWhatItMayAndNoMore(String method, String path, String least) {
        var order = List.of("nobody", "viewer", "editor", "architect", "program");
        var nobody = new Session(address());
        nobody.ok("GET", "/api/session", null);
        var sessions = List.of(nobody, cleo, ben, anna);
        for (int i = 0; i < sessions.size(); i++) {
            int status = sessions.get(i)
                    .send(method, path, method.equals("GET") ? null : "{}")
                    .statusCode();
            boolean refused = status == 401 || status == 403;
            assertEquals(
                    refused, i < order.indexOf(least), order.get(i) + " got " + status + " for " + method + " " + path);
            assertTrue(status < 500, order.get(i) + " got " + status + " for " + method + " " + path);
        }
    }

    /** So that nobody adds a way in and forgets to say who may go it; signing in and setting up have their own tests. */
    @Test
    public void everyWayIsInTheTable() {
        var ways = java.util.Arrays.stream(ways())
                .map(way -> way[0] + " " + ((String) way[1]).replaceFirst("[?].*", ""))
                .toList();
        var missing = new java.util.TreeSet<String>();
        context.getBeansOfType(RequestMappingHandlerMapping.class).values().stream()
                .flatMap(mapping -> mapping.getHandlerMethods().entrySet().stream())
                .filter(each -> each.getValue().getBeanType().getName().startsWith("org.jontrel"))
                .filter(each -> !each.getKey().getPatternValues().contains("/api/session"))
                .filter(each -> !each.getKey().getPatternValues().contains("/api/setup"))
                .forEach(each -> each.getKey()
                        .getMethodsCondition()
                        .getMethods()
                        .forEach(method -> {
                            boolean covered = each.getKey().getPathPatternsCondition().getPatterns().stream()
                                    .anyMatch(pattern -> ways.stream()
                                            .anyMatch(way -> way.startsWith(method + " ")
                                                    && pattern.matches(PathContainer.parsePath(
                                                            way.substring(way.indexOf(' ') + 1)))));
                            if (!covered) {
                                missing.add(method + " " + each.getKey().getPatternValues());
                            }
                        }));
        assertTrue(missing.isEmpty(), "ways that no role was tried on: " + missing);
    }

    @Test
    public void aWriteWithoutTheTokenOfTheSessionIsRefused() {
        var session = new Session(address()).signIn("ben", "ben-password");
        session.token = false;
        assertEquals(
                session.send("POST", "/api/sites/trial/types/mooring/records", record("x"))
                        .statusCode(),
                403);
    }
}
