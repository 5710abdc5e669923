package org.jontrel.site.run.count;

import java.util.Map;
import java.util.Optional;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;

/** Is told how far counting is, and remembers what need not be counted again. */
public interface CountListener {
    /** How many questions there are. */
    void begins(int questions);

    /** The answer to one of them. */
    void answered(Question question, Answer answer);

    /** What was counted before of the values of one column, with the same corrections. */
    Optional<Answer> known(Question question, Map<String, String> corrections);

    /** What is counted now of the values of one column. */
    void counted(Question question, Map<String, String> corrections, Answer answer);

    /** Nobody looks, and nothing is remembered. */
    CountListener NONE = new CountListener() {
        @Override
        public void begins(int questions) {}

        @Override
        public void answered(Question question, Answer answer) {}

        @Override
        public Optional<Answer> known(Question question, Map<String, String> corrections) {
            return Optional.empty();
        }

        @Override
        public void counted(Question question, Map<String, String> corrections, Answer answer) {}
    };
}
