package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import java.util.List;
import java.util.Optional;

/**
 * A rule of a table, and the cases that show whether the service keeps it.
 *
 * @param doc what the database says, where the names of the cases leave it open
 */
public record RuleView(Optional<CommentText> doc, List<CaseView> cases) {
    public RuleView {
        cases = List.copyOf(cases);
    }

    /**
     * A request and its outcome.
     *
     * @param name what is particular about the request
     * @param steps the calls that tell it, one after the other
     */
    public record CaseView(JavaString name, List<StepView> steps) {
        public CaseView {
            steps = List.copyOf(steps);
        }
    }

    /**
     * A call.
     *
     * @param arguments literals
     */
    public record StepView(JavaName method, List<JavaCode> arguments) {
        public StepView {
            arguments = List.copyOf(arguments);
        }
    }
}
