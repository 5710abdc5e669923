package org.jontrel.core.generate.java;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.stream.Collectors;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.generate.api.CodeNames;
import org.jontrel.core.generate.api.CodeText;
import org.jontrel.core.generate.api.ContentApi;

/**
 * A package of Java 21: {@code Client.java} is the same for all models; each entity has a record, and {@code Site} something to call
 * for each of them. They need nothing but the JDK.
 */
public final class JavaCode {
    private static final String IMPORTS = """
            import java.math.BigDecimal;
            import java.time.Instant;
            import java.time.LocalDate;
            import java.time.LocalDateTime;
            import java.time.LocalTime;
            import java.util.List;
            import java.util.Map;

            """;

    private final ContentApi api;
    private final String folder;
    private final CodeNames types = new CodeNames(JavaNames.TYPES);
    private final CodeNames members = new CodeNames(JavaNames.members());
    private final List<String> fieldNotes = new ArrayList<>();
    private final Map<ApiEntity, String> names = new LinkedHashMap<>();

    public JavaCode(ContentApi api) {
        this.api = api;
        this.folder = JavaNames.packageOf(api.manifest().name());
        api.entities().forEach(each -> names.put(each, types.take(each.typeName(), each.about())));
    }

    public SequencedMap<String, String> files() {
        var targets = new LinkedHashMap<String, String>();
        api.entities().stream()
                .filter(each -> each.sort() == ApiEntity.EntitySort.RECORDS)
                .forEach(each -> targets.put(each.key(), names.get(each)));
        var files = new LinkedHashMap<String, String>();
        files.put(folder + "/Client.java", head() + CodeText.resource(JavaCode.class, "Client.java.txt"));
        names.forEach((entity, name) -> {
            var written = new JavaRecord(targets, name);
            files.put(folder + "/" + name + ".java", head() + IMPORTS + written.of(entity, name));
            fieldNotes.addAll(written.notes());
        });
        files.put(folder + "/Site.java", head() + site());
        return files;
    }

    /** What is called otherwise than in the model; told once the files are made. */
    public List<String> notes() {
        var all = new ArrayList<>(types.notes());
        all.addAll(fieldNotes);
        all.addAll(members.notes());
        return all;
    }

    private String head() {
        return api.head().stream()
                        .map(line -> "// " + CodeText.line(line).replace("\\", "/") + "\n")
                        .collect(Collectors.joining())
                + "package " + folder + ";\n\n";
    }

    private String site() {
        var site =
                new StringBuilder("/** A site with these definitions. */\npublic final class Site extends Client {\n");
        for (var entity : api.entities()) {
            var name = names.get(entity);
            var sort =
                    switch (entity.sort()) {
                        case RECORDS -> "Records";
                        case TERMS -> "Terms";
                        case VALUES -> "Single";
                    };
            var of = "<" + name + ", " + name + ".Values>";
            site.append("    /** ").append(JavaNames.comment(entity.plural())).append(". */\n    public final ");
            site.append(sort).append(of).append(" ").append(members.take(member(entity), entity.about()));
            site.append(" =\n            new ")
                    .append(sort)
                    .append("<>(this, ")
                    .append(JavaNames.quoted(entity.segment()));
            site.append(", ").append(name).append("::read);\n\n");
        }
        return site.append("""
                    /** @param address of the API, such as https://towpath.example/at/towpath/api @param token or null */
                    public Site(String address, String token) {
                        super(address, token);
                    }
                }
                """).toString();
    }

    private static String member(ApiEntity entity) {
        return CodeNames.camel(
                switch (entity.sort()) {
                    case RECORDS -> entity.segment();
                    case TERMS -> entity.key() + "_terms";
                    case VALUES -> entity.key() + "_values";
                });
    }
}
