package dev.vinekit.data;

import java.util.List;
import java.util.Optional;

/**
 * How a rule is proved.
 *
 * @param trials the requests that do it
 * @param reason why it cannot be proved, or with trials, what they leave out
 * @param unbreakable whether no request can break it, so that there is nothing to prove
 */
public record Proof(Rule rule, List<Trial> trials, Optional<String> reason, boolean unbreakable) {
    public Proof {
        trials = List.copyOf(trials);
        if (trials.isEmpty() && reason.isEmpty()) {
            throw new IllegalArgumentException("a rule has trials or a reason: " + rule);
        }
    }

    static Proof by(Rule rule, Trial... trials) {
        return by(rule, List.of(trials), Optional.empty());
    }

    /** @param missing what the trials leave out, or why there are none */
    static Proof by(Rule rule, List<Trial> trials, Optional<String> missing) {
        return new Proof(rule, trials, missing, false);
    }

    static Proof none(Rule rule, String reason) {
        return by(rule, List.of(), Optional.of(reason));
    }

    static Proof unbreakable(Rule rule, String reason) {
        return new Proof(rule, List.of(), Optional.of(reason), true);
    }
}
