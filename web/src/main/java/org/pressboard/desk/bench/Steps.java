package org.pressboard.desk.bench;

import java.util.List;

/** A ticket whose latest steps are told, and taken back or made again one by one. */
interface Steps {

    List<Ticket.StepLine> steps();

    default boolean canUndo() {
        return steps().stream().anyMatch(step -> !step.takenBack());
    }

    default boolean canRedo() {
        return steps().stream().anyMatch(Ticket.StepLine::takenBack);
    }
}
