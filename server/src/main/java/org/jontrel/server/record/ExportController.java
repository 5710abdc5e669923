package org.jontrel.server.record;

import static org.jontrel.server.record.RecordTypes.SORTS;

import org.springframework.http.ContentDisposition;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** What a list shows, as a file: read page by page, so that it may be of any length. */
@RestController
@RequestMapping("/api/sites/{site}/" + SORTS + "/{key}")
class ExportController {
    private final RecordTypes recordTypes;

    ExportController(RecordTypes recordTypes) {
        this.recordTypes = recordTypes;
    }

    @GetMapping("/export.{format:csv|xlsx|jsonl}")
    ResponseEntity<StreamingResponseBody> export(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @PathVariable String format,
            @RequestParam(defaultValue = "") String where,
            @RequestParam(defaultValue = "") String search,
            @RequestParam(defaultValue = "") String order,
            @RequestParam(defaultValue = "") String fields) {
        var at = recordTypes.at(site, sort, key);
        var query = ListController.query(where, search, order, fields);
        ListController.asked(() -> at.engine().records().page(at.id(), query.most(1)));
        var file = ExportFile.of(format);
        StreamingResponseBody body = out -> file.write(
                ExportFile.ExportSource.of(site, at.engine(), at.table().recordType(), query), out);
        return download(file, site + "-" + key + "." + format, body);
    }

    static ResponseEntity<StreamingResponseBody> download(ExportFile file, String name, StreamingResponseBody body) {
        return ResponseEntity.ok()
                .header("Content-Type", file.type())
                .header(
                        "Content-Disposition",
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(body);
    }
}
