package org.jontrel.server.workbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.core.sheet.TooLargeWorkbookException;
import org.jontrel.core.sheet.WorkbookFacts;
import org.jontrel.core.sheet.WorkbookProfile;
import org.jontrel.core.work.Deadline;
import org.jontrel.serve.web.Refusal;
import org.jontrel.workbook.UnreadableWorkbookException;
import org.jontrel.workbook.Workbook;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;

/** Reads the workbooks that somebody sends. One reading goes on at a time: it takes a processor and some memory. */
@Component
public class Workbooks {
    private static final int MOST_FILES = 20;
    private static final long LONGEST_WAIT_SECONDS = 30;
    private static final Duration LONGEST = Duration.ofMinutes(5);
    private final Semaphore turn = new Semaphore(1, true);

    /**
     * What was seen in files.
     *
     * @param name of the files
     * @param findings of the files, not of the model
     */
    record SeenWorkbook(String name, WorkbookFacts facts, List<Finding> findings) {}

    /** What is made of files while they are open. */
    public interface OpenedWork<T> {
        /**
         * @param name of all files
         * @param findings of the files, as far as they were read
         */
        T with(String name, List<Sheet> sheets, Supplier<List<Finding>> findings) throws IOException;
    }

    /** @throws Refusal where a file cannot be read */
    SeenWorkbook read(List<MultipartFile> files) throws IOException, InterruptedException {
        return opened(files, (name, sheets, findings) -> {
            var facts = WorkbookProfile.of(sheets);
            return new SeenWorkbook(name, facts, findings.get());
        });
    }

    /**
     * Opens files for as long as the work takes.
     *
     * @throws Refusal where a file cannot be read
     */
    public <T> T opened(List<MultipartFile> files, OpenedWork<T> work) throws IOException, InterruptedException {
        if (files.isEmpty() || files.size() > MOST_FILES) {
            throw Refusal.invalid("Send one to " + MOST_FILES + " files.", List.of());
        }
        if (!turn.tryAcquire(LONGEST_WAIT_SECONDS, TimeUnit.SECONDS)) {
            throw Refusal.unavailable("The server is reading another workbook. Try again in a moment.");
        }
        Deadline.set(LONGEST);
        try {
            return openedAll(files, work);
        } catch (Deadline.Passed _) {
            throw Refusal.invalid(
                    "Reading the workbook took longer than " + LONGEST.toMinutes()
                            + " minutes and was given up; nothing was kept. Send fewer sheets or rows: some thousand rows tell as much.",
                    List.of());
        } catch (UnreadableWorkbookException e) {
            throw Refusal.invalid("The workbook cannot be read, and nothing was kept.", List.of(e.finding()));
        } finally {
            Deadline.clear();
            turn.release();
        }
    }

    private static <T> T openedAll(List<MultipartFile> files, OpenedWork<T> work) throws IOException {
        var opened = new ArrayList<Workbook>();
        var paths = new ArrayList<Path>();
        try {
            var sheets = new ArrayList<Sheet>();
            for (var file : files) {
                var path = Files.createTempFile("jontrel-workbook", ".upload");
                paths.add(path);
                file.transferTo(path);
                var workbook = Workbook.open(path, name(file));
                opened.add(workbook);
                sheets.addAll(workbook.sheets());
            }
            var names = String.join(", ", files.stream().map(Workbooks::name).toList());
            return work.with(
                    names,
                    sheets,
                    () -> opened.stream()
                            .flatMap(each -> each.findings().stream())
                            .toList());
        } catch (TooLargeWorkbookException e) {
            var name = name(files.getFirst());
            throw Refusal.invalid(
                    "The workbook is too large, and nothing was kept.",
                    List.of(Finding.of(Code.WORKBOOK_TOO_MANY, Place.file(name), name, e.most(), e.of())));
        } finally {
            for (var each : opened) {
                each.close();
            }
            for (var each : paths) {
                Files.deleteIfExists(each);
            }
        }
    }

    /** Without the folders that some browsers send with it. */
    private static String name(MultipartFile file) {
        var name = Optional.ofNullable(file.getOriginalFilename())
                .filter(each -> !each.isBlank())
                .orElse("workbook");
        return name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
    }
}
