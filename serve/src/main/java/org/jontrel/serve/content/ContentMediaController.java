package org.jontrel.serve.content;

import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.serve.media.PublicFiles;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.media.StoredFile;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Pictures and files over the content API: each by its number; all of them for programs with a token. */
@RestController
@RequestMapping("/at/{site}/api/media")
class ContentMediaController {
    private static final int PAGE = 50;
    private final Callers callers;

    ContentMediaController(Callers callers) {
        this.callers = callers;
    }

    @GetMapping
    ResponseEntity<String> all(
            @PathVariable String site,
            @RequestParam(defaultValue = "") String search,
            @RequestParam(required = false) Long after,
            HttpServletRequest request) {
        var call = callers.of(site, request);
        if (!call.audience().everyState()) {
            throw Refusal.unauthorized("A token of this site is needed to list all files.");
        }
        var files = call.engine().media().page(search, Optional.ofNullable(after), false, PAGE);
        var answer = new LinkedHashMap<String, Object>();
        answer.put("items", files.stream().map(file -> view(site, file)).toList());
        if (files.size() == PAGE) {
            answer.put("next", String.valueOf(files.getLast().id()));
        }
        return call.answer(answer);
    }

    @GetMapping("/{id}")
    ResponseEntity<String> one(@PathVariable String site, @PathVariable long id, HttpServletRequest request) {
        var call = callers.of(site, request);
        return call.answer(call.engine()
                .media()
                .find(id)
                .filter(_ -> call.audience().everyState() || PublicFiles.has(call.engine(), id))
                .map(file -> view(site, file))
                .orElseThrow(() -> Refusal.missing("There is no such picture or file.")));
    }

    private static Map<String, Object> view(String site, StoredFile file) {
        var url = "/at/" + site + "/media/" + file.id();
        var view = new LinkedHashMap<String, Object>();
        view.put("id", file.id());
        view.put("url", url);
        view.put("name", file.name());
        view.put("format", file.format());
        view.put("bytes", file.bytes());
        if (file.width() > 0) {
            view.put("alt", file.alt());
            view.put("width", file.width());
            view.put("height", file.height());
            view.put("focus", List.of(file.focusX(), file.focusY()));
            view.put(
                    "sizes",
                    MediaStore.widths(file.width()).stream()
                            .collect(Collectors.toMap(
                                    String::valueOf,
                                    width -> url + "?width=" + width,
                                    (a, _) -> a,
                                    LinkedHashMap::new)));
        }
        return view;
    }
}
