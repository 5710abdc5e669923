package org.jontrel.standalone;

import java.util.List;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;

/** Why a package is not taken; the site stays as it is. */
final class PackageRefused extends Exception {
    private static final long serialVersionUID = 1;
    private final List<String> problems;
    private final boolean asks;

    PackageRefused(String problem) {
        this(List.of(problem));
    }

    PackageRefused(List<String> problems) {
        this(problems, false);
    }

    /** @param asks whether there are questions that nobody has answered */
    PackageRefused(List<String> problems, boolean asks) {
        super(problems.getFirst());
        this.problems = List.copyOf(problems);
        this.asks = asks;
    }

    /** In sentences, the most important first. */
    List<String> problems() {
        return problems;
    }

    boolean asks() {
        return asks;
    }

    /** Those findings that keep a package from being used, each with its place. */
    static List<String> told(List<Finding> findings) {
        return findings.stream()
                .filter(finding -> finding.severity() == Severity.BLOCKER)
                .map(finding -> (finding.place().inFile().isEmpty()
                                ? ""
                                : finding.place().inFile() + ": ")
                        + finding.sentence())
                .toList();
    }
}
