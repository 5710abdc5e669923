package org.jontrel.serve.record;

import java.util.function.Function;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.RemoveResult;
import org.jontrel.site.record.write.SaveResult;

/** The one place where it is decided what HTTP answers to what came of saving and removing records. */
public final class SaveResponses {
    /** What is said where nothing else is known of the values that are wrong. */
    public static final String NOT_SAVED = "Nothing was saved: some values need attention.";

    private static final String GONE = "It no longer exists.";
    private static final String SWITCHING = "The site's definitions are being switched.";

    private SaveResponses() {}

    /**
     * The record that was stored.
     *
     * @param refused says that values are wrong
     * @param conflict what is answered where the record is another by now
     * @throws Refusal where nothing was stored: 422, what {@code conflict} says, 404, or 503
     */
    public static StoredRecord stored(
            SaveResult result, Function<SaveResult.Refused, String> refused, Function<StoredRecord, Refusal> conflict) {
        return switch (result) {
            case SaveResult.Stored(StoredRecord record) -> record;
            case SaveResult.Refused problems -> throw refusal(refused.apply(problems), problems);
            case SaveResult.Conflict(StoredRecord current) -> throw conflict.apply(current);
            case SaveResult.Missing _ -> throw missing();
            case SaveResult.Closed _ -> throw closed();
        };
    }

    /** @throws Refusal where the record is still there, or never was */
    public static void removed(RemoveResult result, Function<StoredRecord, Refusal> conflict) {
        switch (result) {
            case RemoveResult.RemovedRecord _ -> {}
            case RemoveResult.HasChildren children -> throw Refusal.conflict(children.sentence(), null);
            case SaveResult.Conflict(StoredRecord current) -> throw conflict.apply(current);
            case SaveResult.Missing _ -> throw missing();
            case SaveResult.Closed _ -> throw closed();
        }
    }

    public static Refusal refusal(String sentence, SaveResult.Refused refused) {
        return Refusal.problems(
                sentence,
                refused.problems().stream().map(problem -> problem.finding()).toList(),
                RecordProblem.of(refused.problems()));
    }

    public static Refusal missing() {
        return Refusal.missing("There is no such record on this site.");
    }

    public static Refusal closed() {
        return Refusal.unavailable(
                "The site's definitions are being switched. Try again in a moment; if this stays, a run"
                        + " was interrupted and needs an architect.");
    }

    /** Why one of many records was not saved, in a sentence; empty where it was. */
    public static String reason(SaveResult result) {
        return switch (result) {
            case SaveResult.Stored _ -> "";
            case SaveResult.Refused refused ->
                refused.problems().getFirst().finding().sentence();
            case SaveResult.Conflict(StoredRecord current) -> changing(current);
            case SaveResult.Missing _ -> GONE;
            case SaveResult.Closed _ -> SWITCHING;
        };
    }

    /** Why one of many records was not removed. */
    public static String reason(RemoveResult result) {
        return switch (result) {
            case RemoveResult.RemovedRecord _ -> "";
            case RemoveResult.HasChildren children -> children.sentence();
            case SaveResult.Conflict(StoredRecord current) -> changing(current);
            case SaveResult.Missing _ -> GONE;
            case SaveResult.Closed _ -> SWITCHING;
        };
    }

    private static String changing(StoredRecord current) {
        return current.updatedBy() + " is just changing it.";
    }
}
