package org.pressboard.wiring;

import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.boot.diagnostics.FailureAnalysisReporter;

/** Says in one line why the application does not start, wherever that is understood. */
class OneLineReport implements FailureAnalysisReporter {

    @Override
    public void report(FailureAnalysis analysis) {
        System.err.println("pressboard: " + line(analysis));
    }

    static String line(FailureAnalysis analysis) {
        String action = analysis.getAction() == null ? "" : " " + analysis.getAction();
        return (analysis.getDescription() + action).replaceAll("\\s+", " ").strip();
    }
}
