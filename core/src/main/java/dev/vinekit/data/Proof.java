package dev.vinekit.data;

import java.util.List;
import java.util.Optional;

/**
 * How a rule is proved.
 *
 * @param trials the requests that do it
 * @param reason why it cannot be proved, or with trials, what they leave out
 */
public record Proof(Rule rule, List<Trial> trials, Optional<String> reason) {
    public Proof {
        trials = List.copyOf(trials);
        if (trials.isEmpty() && reason.isEmpty()) {
            throw new IllegalArgumentException("a rule has trials or a reason: " + rule);
        }
    }

    static Proof by(Rule rule, Trial... trials) {
        return new Proof(rule, List.of(trials), Optional.empty());
    }

    static Proof none(Rule rule, String reason) {
        return new Proof(rule, List.of(), Optional.of(reason));
    }
}
