package org.jontrel.demo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Model;
import tools.jackson.databind.JsonNode;

/**
 * Loads the demo into an empty installation: accounts, a workspace with three releases and a draft ahead of them, and three
 * sites: Towpath, the public one; Bench, where the model is tried; and Trial, which holds what came over from the old site,
 * with the flaws of real content, at the first release.
 */
public final class DemoLoader {
    private static final int PICTURES = 4;
    private final Client client;

    private DemoLoader(Client client) {
        this.client = client;
    }

    /** @param arguments the installation's address; its set-up code comes by the environment, which nobody else reads */
    public static void main(String[] arguments) {
        load(arguments[0], System.getenv("JONTREL_SETUP_CODE"));
    }

    public static void load(String address, String setupCode) {
        var client = new Client(address);
        client.get("/api/session");
        client.post("/api/setup", Map.of("code", setupCode, "name", "anna", "password", "anna-architect"));
        client.signIn("anna", "anna-architect");
        client.post("/api/accounts", Map.of("name", "ben", "role", "editor", "password", "ben-the-editor"));
        client.post("/api/accounts", Map.of("name", "cleo", "role", "viewer", "password", "cleo-can-look"));
        new DemoLoader(client).load();
    }

    /**
     * Loads the site Trial alone, at the first release, with some of its records, and all releases. Nobody has answered any of
     * their questions.
     *
     * @param records how many structures, moorings and notices each
     */
    public static void trial(Client client, int records) {
        var loader = new DemoLoader(client);
        var workspace = loader.first(List.of("Trial"), records, records, records);
        loader.second(workspace);
        loader.third(workspace);
        loader.fourth(workspace);
    }

    private void load() {
        var workspace = first(List.of("Bench", "Trial", "Towpath"), 620, 520, 360);
        second(workspace);
        third(workspace);
        answers(workspace + "/releases/3.0.0/decisions");
        install("bench", "3.0.0");
        new FullModelRecords(client, "bench", drawn("bench", 3)).fill();
        install("towpath", "3.0.0");
        new TowpathRecords(client, "towpath").fill();
        client.put("/api/sites/bench/settings", Map.of("look", "", "address", "", "unlisted", true));
        client.put("/api/sites/trial/settings", Map.of("look", "plain", "address", "", "unlisted", true));
        fourth(workspace);
        take(workspace, DemoPackages.next());
    }

    /** The first release, with sites, of which Trial has it and records; the path of the workspace. */
    private String first(List<String> sites, int structures, int moorings, int notices) {
        var zip = PackageFiles.toZip(DemoPackages.files("release-1.0.0"));
        var imported = client.upload("/api/workspaces/import", "tessel.zip", zip, Map.of());
        var workspace = "/api/workspaces/" + imported.at("/workspace/path").asString();
        for (var name : sites) {
            client.post(workspace + "/sites", Map.of("name", name));
        }
        install("trial", "1.0.0");
        fill("trial", structures, moorings, notices, 2);
        return workspace;
    }

    private void second(String workspace) {
        draft(workspace, "release-2.0.0");
        client.post(
                workspace + "/releases",
                Map.of(
                        "version",
                        "2.0.0",
                        "notes",
                        "Rises become numbers in metres. Moorings say how deep the water is."));
    }

    private void third(String workspace) {
        draft(workspace, "pages");
        client.post(
                workspace + "/releases",
                Map.of(
                        "version",
                        "3.0.0",
                        "notes",
                        "The whole model: walks, work parties, people, boats, waterways, what leads to what, and the pages of it all."));
    }

    private void fourth(String workspace) {
        draft(workspace, "moves");
        client.post(
                workspace + "/releases",
                Map.of(
                        "version",
                        "4.0.0",
                        "notes",
                        "Inspections become records, gates are classified, a mooring has several surfaces, and structures say how wide a boat may be."));
    }

    /** Some answers are given already; the others are open, so that there is something to see. */
    private void answers(String decisions) {
        answer(
                decisions,
                "fi41usths",
                "SOURCES",
                "GATHER",
                "season_1, charge_1, season_2, charge_2, season_3, charge_3");
        answer(decisions, "fk3r5t8n1", "UNCONVERTED", "SET_ASIDE", "");
    }

    private void answer(String decisions, String field, String about, String answer, String value) {
        client.put(decisions, Map.of("field", field, "about", about, "answer", answer, "value", value));
    }

    private void draft(String workspace, String folder) {
        take(workspace, DemoPackages.model(folder));
    }

    private void take(String workspace, Model model) {
        var definitions = model.definitions().stream()
                .map(each -> Map.of("sort", PackageWriter.word(each.sort()), "definition", PackageWriter.tree(each)))
                .toList();
        client.post(workspace + "/draft/take", Map.of("definitions", definitions));
    }

    /** On a busy machine a run may count as interrupted for a moment; it is continued by itself. */
    private static final Set<String> GOING_ON = Set.of("running", "interrupted");

    private void install(String site, String version) {
        var run = client.post("/api/sites/" + site + "/runs", Map.of("version", version));
        JsonNode now;
        do {
            pause();
            now = client.get("/api/sites/" + site + "/runs/" + run.get("id").asLong());
        } while (GOING_ON.contains(now.get("state").asString()));
        if (!now.get("state").asString().equals("done")) {
            throw new IllegalStateException("The run on " + site + " stopped: " + now.get("message"));
        }
    }

    private static void pause() {
        try {
            Thread.sleep(100);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private Map<String, List<Long>> drawn(String site, long seed) {
        var pictures = new HashMap<String, List<Long>>();
        for (var sort : List.of("lock", "bridge", "berth")) {
            pictures.put(sort, pictures(site, sort, seed));
        }
        return pictures;
    }

    private void fill(String site, int structures, int moorings, int notices, long seed) {
        var records = new DemoRecords(seed);
        var pictures = drawn(site, seed);
        var all = new ArrayList<DemoRecord>();
        for (int i = 1; i <= structures; i++) {
            var values = records.structure(i, false);
            var sort = values.get("sort").equals("lock") ? "lock" : "bridge";
            all.add(entry("structure", i, values, pictures.get(sort)));
        }
        for (int i = 1; i <= moorings; i++) {
            all.add(entry("mooring", i, records.mooring(i, false), pictures.get("berth")));
        }
        for (int i = 1; i <= notices; i++) {
            boolean draft = i % 5 == 0;
            all.add(new DemoRecord("stoppage_notice", records.notice(i, draft), draft ? "draft" : "published"));
        }
        send(site, all);
    }

    private record DemoRecord(String type, Map<String, Object> values, String state) {}

    private static DemoRecord entry(String type, int number, Map<String, Object> values, List<Long> pictures) {
        if (number % 3 != 0) {
            values.put("lead_image", pictures.get(number % pictures.size()));
        }
        return new DemoRecord(type, values, number % 11 == 0 ? "draft" : "published");
    }

    private List<Long> pictures(String site, String sort, long seed) {
        var ids = new ArrayList<Long>();
        var type = sort.equals("berth") ? "mooring" : "structure";
        for (int i = 0; i < PICTURES; i++) {
            var alt =
                    switch (sort) {
                        case "lock" -> "A lock with closed gates, hills behind";
                        case "bridge" -> "A brick bridge over the canal";
                        default -> "A boat at its berth";
                    };
            var uploaded = client.upload(
                    "/api/sites/" + site + "/types/" + type + "/fields/lead_image/files",
                    sort + "-" + i + ".jpg",
                    Pictures.draw(sort, seed * 100 + i),
                    Map.of("alt", alt));
            ids.add(uploaded.get("id").asLong());
        }
        return ids;
    }

    private void send(String site, List<DemoRecord> entries) {
        try (var pool = Executors.newFixedThreadPool(4)) {
            var sent = new ArrayList<Future<JsonNode>>();
            for (var entry : entries) {
                var body = Map.of("version", 0, "state", entry.state(), "values", entry.values());
                sent.add(pool.submit(
                        () -> client.post("/api/sites/" + site + "/types/" + entry.type() + "/records", body)));
            }
            for (var future : sent) {
                future.get();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        } catch (java.util.concurrent.ExecutionException e) {
            throw new IllegalStateException("A demo record was refused", e.getCause());
        }
    }
}
