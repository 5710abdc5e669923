package org.jontrel.bench.serve;

import java.util.Map;
import org.jontrel.bench.record.Databases;
import org.jontrel.bench.record.Load;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.demo.Client;
import org.jontrel.server.site.Sites;

/** A site of 100,000 surveys on 1,110 waters, beside those of the demo. */
final class SurveySite {
    static final String SITE = "survey";
    private static final long RECORDS = 100_000;
    private static final int PAUSE = 500;

    private SurveySite() {}

    static void load(String address, Sites sites) throws Exception {
        var client = new Client(address);
        client.signIn("anna", "anna-architect");
        var workspace = "/api/workspaces/"
                + client.upload("/api/workspaces/import", "survey.zip", PackageFiles.toZip(Databases.files()), Map.of())
                        .at("/workspace/path")
                        .asString();
        client.post(workspace + "/sites", Map.of("name", "Survey"));
        var run = client.post("/api/sites/" + SITE + "/runs", Map.of("version", "1.0.0"));
        var path = "/api/sites/" + SITE + "/runs/" + run.get("id").asLong();
        while (!client.get(path).get("state").asString().equals("done")) {
            Thread.sleep(PAUSE);
        }
        Load.surveys(sites.engine(SITE), RECORDS);
    }
}
