package org.jontrel.server.release;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Decision;
import org.jontrel.core.code.Formatting;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.Migration;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Model;
import org.jontrel.core.stage.Stages;
import org.jontrel.core.yaml.Comments;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.table.ModelText;
import org.semver4j.Semver;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** The releases of workspaces and the decisions kept with them. */
@Service
public class Releases {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** Under which answers are kept that were given before there was a release. */
    public static final String DRAFT = "draft";

    private static final int LONGEST_NOTES = 10_000;
    private final ReleaseMapper mapper;

    /** Releases never change, and reading a large one takes longer than an edit may. */
    private final Cache<String, Release> kept =
            Caffeine.newBuilder().maximumSize(200).build();

    private final Cache<String, Comparison> compared =
            Caffeine.newBuilder().maximumSize(200).build();

    Releases(ReleaseMapper mapper) {
        this.mapper = mapper;
    }

    /** An immutable snapshot of a model. */
    public record Release(
            String version,
            int position,
            String notes,
            Model model,
            Comments comments,
            String checksum,
            String by,
            Instant at) {}

    /** All releases of a workspace, newest first. */
    public List<Release> all(long workspaceId) {
        return mapper.versions(workspaceId).stream()
                .map(row -> get(workspaceId, row.version()))
                .toList();
    }

    /** A release by its name only. */
    public record Version(String version, String by, Instant at) {}

    /** The versions of all releases, newest first; their models are not read. */
    public List<Version> versions(long workspaceId) {
        return mapper.versions(workspaceId).stream()
                .map(row -> new Version(
                        row.version(), row.byWhom(), row.releasedAt().toInstant(ZoneOffset.UTC)))
                .toList();
    }

    /** What changed from the release before to this one, or from nothing. */
    public Comparison changes(long workspaceId, Release release, Optional<Release> before) {
        return compared.get(
                workspaceId + "/" + release.version(),
                _ -> Comparison.of(before.map(Release::model).orElse(Model.EMPTY), release.model()));
    }

    public Optional<Release> latest(long workspaceId) {
        return Optional.ofNullable(mapper.latestVersion(workspaceId)).map(version -> get(workspaceId, version));
    }

    /** @throws Refusal where the workspace has no such release */
    public Release get(long workspaceId, String version) {
        return Optional.ofNullable(kept.get(
                        workspaceId + "/" + version,
                        _ -> Optional.ofNullable(mapper.find(workspaceId, version))
                                .map(Releases::release)
                                .orElse(null)))
                .orElseThrow(() -> Refusal.missing("There is no release " + version + " in this workspace."));
    }

    private static Release release(ReleaseMapper.ReleaseRow row) {
        return new Release(
                row.version(),
                row.position(),
                row.notes(),
                ModelText.read(row.model()),
                CommentText.read(row.comments()),
                row.checksum(),
                row.byWhom(),
                row.releasedAt().toInstant(ZoneOffset.UTC));
    }

    /** What differs between the latest release, or nothing, and a model. */
    public Comparison changes(long workspaceId, Model model) {
        return Comparison.of(latest(workspaceId).map(Release::model).orElse(Model.EMPTY), model);
    }

    /** Makes a release of a model that passes all checks and differs from the one before. */
    @Transactional
    public Release release(long workspaceId, String version, String notes, Model model, Comments comments, String by) {
        var findings = ModelCheck.check(model);
        if (Finding.blocks(findings)) {
            throw Refusal.invalid("The draft has problems that must be solved before a release.", findings);
        }
        if (notes.length() > LONGEST_NOTES) {
            throw Refusal.invalid("Notes can have at most " + LONGEST_NOTES + " characters.", List.of());
        }
        if (!Semver.isValid(version) || version.length() > 64) {
            throw Refusal.invalid("A version must be three numbers, such as 1.4.0.", List.of());
        }
        var latest = latest(workspaceId);
        if (latest.isPresent()) {
            if (!new Semver(version).isGreaterThan(latest.get().version())) {
                throw Refusal.invalid(
                        "The version must be above " + latest.get().version() + ", the last release.", List.of());
            }
            if (latest.get().model().equals(model)) {
                throw Refusal.invalid(
                        "Nothing has changed since " + latest.get().version() + ", so there is nothing to release.",
                        List.of());
            }
        } else if (model.types().isEmpty()) {
            throw Refusal.invalid("The draft has no content types yet. Add one, then release.", List.of());
        }
        insert(workspaceId, version, notes, model, comments, by);
        for (var decision : decisionsOfDraft(workspaceId)) {
            // what becomes of the records of a type is said of one that is gone by then
            if (!isKnown(model, decision.fieldId()) && decision.about() != Decision.Topic.RECORD_TYPE) {
                mapper.forget(workspaceId, DRAFT, decision.fieldId());
            }
        }
        mapper.move(workspaceId, DRAFT, version);
        return get(workspaceId, version);
    }

    /** Whether answers can be about it: a definition, or a field of one, also within other fields. */
    public static boolean isKnown(Model model, String id) {
        return model.definition(id).isPresent()
                || model.definitions().stream()
                        .flatMap(definition -> Things.fields(definition).stream())
                        .anyMatch(field -> field.id().equals(id));
    }

    /** Whether some release has had such a definition. */
    public boolean knew(long workspaceId, String id) {
        return all(workspaceId).stream()
                .anyMatch(release -> release.model().definition(id).isPresent());
    }

    private void insert(long workspaceId, String version, String notes, Model model, Comments comments, String by) {
        int position = latest(workspaceId).map(Release::position).orElse(0) + 1;
        try {
            mapper.insert(new ReleaseMapper.ReleaseRow(
                    workspaceId,
                    version,
                    position,
                    notes,
                    ModelText.write(model),
                    CommentText.write(comments),
                    PackageWriter.checksum(model),
                    by,
                    null));
        } catch (DuplicateKeyException _) {
            throw Refusal.conflict(
                    "Somebody else released at the same moment. Look at that release, then try again.", null);
        }
    }

    /** Takes a package in as the first release of a workspace, with its decisions. */
    @Transactional
    public void adopt(
            long workspaceId,
            Manifest manifest,
            List<Migration> migrations,
            Model model,
            Comments comments,
            String by) {
        insert(workspaceId, manifest.version(), manifest.description(), model, comments, by);
        for (var migration : migrations) {
            migration.decisions().forEach(decision -> decide(workspaceId, migration.version(), decision, by));
        }
    }

    public void decide(long workspaceId, String version, Decision decision, String by) {
        mapper.decide(new ReleaseMapper.DecisionRow(
                workspaceId,
                version,
                decision.fieldId(),
                decision.about().code(),
                decision.answer().code(),
                decision.value(),
                JSON.writeValueAsString(decision.corrections()),
                by));
    }

    /** The releases behind a version up to another one, oldest first, each with the decisions that are kept with it. */
    public List<Stages.ReleaseOnWay> way(long workspaceId, String from, String to) {
        var decisions =
                migrations(workspaceId).stream().collect(Collectors.toMap(Migration::version, Migration::decisions));
        return versions(workspaceId).reversed().stream()
                .map(Version::version)
                .filter(version -> new Semver(version).isGreaterThan(from) && !new Semver(version).isGreaterThan(to))
                .map(version -> new Stages.ReleaseOnWay(
                        version, get(workspaceId, version).model(), decisions.getOrDefault(version, List.of())))
                .toList();
    }

    /** The decisions of all releases up to a version, oldest first, so that a later answer stands over an earlier. */
    public List<Decision> decisions(long workspaceId, String upTo) {
        return migrations(workspaceId).stream()
                .filter(migration -> !new Semver(migration.version()).isGreaterThan(upTo))
                .flatMap(migration -> migration.decisions().stream())
                .toList();
    }

    /**
     * The decisions that lead a site to a release of the draft. Answers of releases that it has already were to other questions,
     * however much alike.
     *
     * @param installed what the site has; empty for nothing
     */
    public List<Decision> decisionsToDraft(long workspaceId, String installed) {
        var all = new ArrayList<Decision>();
        migrations(workspaceId).stream()
                .filter(migration -> installed.isEmpty() || new Semver(migration.version()).isGreaterThan(installed))
                .forEach(migration -> all.addAll(migration.decisions()));
        all.addAll(decisionsOfDraft(workspaceId));
        return all;
    }

    private List<Decision> decisionsOfDraft(long workspaceId) {
        return mapper.decisions(workspaceId).stream()
                .filter(row -> row.version().equals(DRAFT))
                .map(Releases::decision)
                .toList();
    }

    private static Decision decision(ReleaseMapper.DecisionRow row) {
        return new Decision(
                row.fieldId(),
                Decision.Topic.valueOf(row.about().toUpperCase(Locale.ROOT)),
                Decision.Action.valueOf(row.answer().toUpperCase(Locale.ROOT)),
                row.value(),
                List.of(JSON.readValue(row.corrections(), Decision.Correction[].class)));
    }

    private List<Migration> migrations(long workspaceId) {
        var byVersion = new TreeMap<String, List<Decision>>();
        for (var row : mapper.decisions(workspaceId)) {
            if (!row.version().equals(DRAFT)) {
                byVersion.computeIfAbsent(row.version(), _ -> new ArrayList<>()).add(decision(row));
            }
        }
        return byVersion.entrySet().stream()
                .map(entry -> new Migration(entry.getKey(), entry.getValue()))
                .sorted(Comparator.comparing(migration -> new Semver(migration.version())))
                .toList();
    }

    /** The decisions of all releases, and those of the draft as of the release that it would be. */
    public List<Migration> migrations(long workspaceId, String next) {
        var all = new ArrayList<>(migrations(workspaceId));
        var ofDraft = decisionsOfDraft(workspaceId);
        if (!ofDraft.isEmpty()) {
            all.add(new Migration(next, ofDraft));
        }
        return all;
    }

    /** Takes in the decisions of a package: those that lead beyond the last release become those of the draft. */
    @Transactional
    public void take(long workspaceId, List<Migration> migrations, String by) {
        var latest = mapper.latestVersion(workspaceId);
        decisionsOfDraft(workspaceId).forEach(each -> mapper.forget(workspaceId, DRAFT, each.fieldId()));
        for (var migration : migrations) {
            boolean ahead = latest == null || new Semver(migration.version()).isGreaterThan(latest);
            var of = ahead ? DRAFT : migration.version();
            migration.decisions().forEach(decision -> decide(workspaceId, of, decision, by));
        }
    }

    /**
     * The package of a name that came last from another installation, as a zip.
     *
     * @throws Refusal where it is later than what comes now
     */
    public Optional<byte[]> arrived(long workspaceId, Manifest coming) {
        var last = Optional.ofNullable(mapper.arrived(workspaceId, coming.name()));
        if (last.isPresent() && new Semver(last.get().version()).isGreaterThan(coming.version())) {
            throw Refusal.conflict(
                    "Release " + last.get().version() + " of " + coming.name() + " came before, which is later than "
                            + coming.version() + ". To go back, undo that edit of the draft.",
                    null);
        }
        return last.map(ReleaseMapper.ArrivedRow::content);
    }

    /** Keeps a package of another installation, which the next one is compared with. */
    @Transactional
    public void arrive(long workspaceId, Manifest manifest, byte[] zip) {
        mapper.arrive(workspaceId, manifest.name(), manifest.version(), zip);
    }

    /** The release as a zip of files, with all decisions that led to it. */
    public byte[] zip(long workspaceId, String name, String title, String version) {
        var content = content(workspaceId, name, title, version);
        var comments = get(workspaceId, version).comments();
        return PackageFiles.toZip(PackageWriter.write(content, Formatting.of(comments), Map.of()));
    }

    /** The release with all decisions that led to it. */
    public ModelPackage content(long workspaceId, String name, String title, String version) {
        var release = get(workspaceId, version);
        var manifest = Manifest.of(name, version, title, List.of(release.by()), "", release.notes());
        var migrations = migrations(workspaceId).stream()
                .filter(migration -> !new Semver(migration.version()).isGreaterThan(version))
                .toList();
        return new ModelPackage(manifest, release.model(), migrations);
    }
}
