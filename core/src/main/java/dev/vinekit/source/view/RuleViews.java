package dev.vinekit.source.view;

import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.data.Proof;
import dev.vinekit.data.Rule;
import dev.vinekit.data.Sample;
import dev.vinekit.data.Trial;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Relation;
import dev.vinekit.source.TestedRule;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Spells the proofs of a table's rules as cases of its test. */
final class RuleViews {
    private static final ObjectMapper MAPPER = new ObjectMapper();

    private final Mapping mapping;
    private final Set<String> names = new HashSet<>();
    private final List<RuleView> views = new ArrayList<>();
    private final List<TestedRule> rules = new ArrayList<>();

    private RuleViews(Mapping mapping) {
        this.mapping = mapping;
    }

    static RuleViews of(Mapping mapping, List<Proof> proofs) {
        RuleViews rules = new RuleViews(mapping);
        proofs.forEach(rules::add);
        return rules;
    }

    /** The rules, with the names of their tests. */
    List<TestedRule> rules() {
        return rules;
    }

    /** Those that can be shown. */
    List<RuleView> views() {
        return views;
    }

    private void add(Proof proof) {
        Rule rule = proof.rule();
        List<String> tests = new ArrayList<>();
        List<RuleView.CaseView> cases = new ArrayList<>();
        for (Trial trial : proof.trials()) {
            String name = unique(name(trial));
            tests.add(name);
            cases.add(new RuleView.CaseView(JavaString.of(name), steps(rule, trial)));
        }
        if (!cases.isEmpty()) {
            views.add(new RuleView(doc(rule).map(CommentText::of), cases));
        }
        rules.add(new TestedRule(rule.kind().words(), rule.name(), rule.text(), tests, proof.reason(),
                proof.unbreakable()));
    }

    /** What is particular about a request. */
    private static String name(Trial trial) {
        if (trial instanceof Trial.Omitted omitted) {
            return name(omitted.field()) + " missing";
        } else if (trial instanceof Trial.Values values) {
            return joined(values.values().keySet()) + " " + values.how();
        } else if (trial instanceof Trial.Unchecked unchecked) {
            return joined(unchecked.values().keySet()) + " against a check";
        } else if (trial instanceof Trial.Exchanged exchanged) {
            return joined(List.of(exchanged.left(), exchanged.right())) + " exchanged";
        } else if (trial instanceof Trial.Repeated repeated) {
            return name(repeated.from()) + " equal to " + name(repeated.to());
        } else if (trial instanceof Trial.Duplicated duplicated) {
            return "duplicate " + joined(duplicated.fields());
        } else if (trial instanceof Trial.Dangling dangling) {
            return name(last(dangling.relation())) + " of a missing row";
        } else if (trial instanceof Trial.Given given) {
            return name(given.field()) + " from the client";
        } else if (trial instanceof Trial.Cleared cleared) {
            return name(cleared.field()) + " cleared";
        } else if (trial instanceof Trial.LeftOut left) {
            return name(left.field()) + " left out";
        } else if (trial instanceof Trial.Released released) {
            return "row of " + name(released.relation().fields().get(0)) + " deleted";
        }
        return "row of " + name(((Trial.Abandoned) trial).relation().fields().get(0)) + " deleted";
    }

    private List<RuleView.StepView> steps(Rule rule, Trial trial) {
        if (trial instanceof Trial.Omitted omitted) {
            return List.of(step("without", json(omitted.field())), step("isRefused", 400));
        } else if (trial instanceof Trial.Values values) {
            return with(values.values(), step("isRefused", 400));
        } else if (trial instanceof Trial.Unchecked unchecked) {
            Map<Field, Object> given = new LinkedHashMap<>();
            unchecked.values().forEach((field, value) -> given.put(field, value.orElse(null)));
            return with(given, step("isRefusedBy", JavaString.of(rule.name())));
        } else if (trial instanceof Trial.Exchanged exchanged) {
            return List.of(step("exchanging", json(exchanged.left()), json(exchanged.right())), step("isRefused", 400));
        } else if (trial instanceof Trial.Repeated repeated) {
            return List.of(step("repeating", json(repeated.from()), json(repeated.to())), step("isRefused", 400));
        } else if (trial instanceof Trial.Duplicated duplicated) {
            return List.of(step("copying", duplicated.fields().stream().map(RuleViews::json).toArray()),
                    step(duplicated.named() ? "isRefused" : "isRefusedAsAWhole", 409));
        } else if (trial instanceof Trial.Dangling dangling) {
            return with(Map.of(last(dangling.relation()), dangling.value()), step("isRefused", 422));
        } else if (trial instanceof Trial.Given given) {
            return with(Map.of(given.field(), BigDecimal.ONE), step("isRefused", 400));
        } else if (trial instanceof Trial.Cleared cleared) {
            return List.of(step("clearing", json(cleared.field())), step("isRefused", 400));
        } else if (trial instanceof Trial.LeftOut left) {
            String suffix = left.tied() ? "IfItFits" : "";
            return List.of(step("without", json(left.field())),
                    left.constant().map(value -> step("takesTheDefault" + suffix, JavaString.of(value)))
                            .orElse(step("takesADefault" + suffix)));
        } else if (trial instanceof Trial.Released released) {
            return List.of(deleting(released.relation()),
                    step(released.gone() ? "deletesTheRow" : "leavesTheRowWithoutIt"));
        }
        return List.of(deleting(((Trial.Abandoned) trial).relation()), step("isRefused", 409));
    }

    private RuleView.StepView deleting(Relation relation) {
        return step("deleting", JavaString.of("/" + mapping.entity(relation.foreignKey().target()).path()),
                json(relation.fields().get(0)));
    }

    private static List<RuleView.StepView> with(Map<Field, Object> values, RuleView.StepView outcome) {
        List<RuleView.StepView> steps = new ArrayList<>();
        values.forEach((field, value) -> steps.add(step("with", json(field), code(value))));
        steps.add(outcome);
        return steps;
    }

    private static RuleView.StepView step(String method, Object... arguments) {
        return new RuleView.StepView(JavaName.of(method),
                Stream.of(arguments).map(argument -> JavaCode.of("%s", argument)).toList());
    }

    private String unique(String wanted) {
        String name = wanted;
        for (int i = 2; !names.add(name); i++) {
            name = wanted + ", " + i;
        }
        return name;
    }

    /** Constraints by their names and words; the name of a case says what else a column demands. */
    private static Optional<String> doc(Rule rule) {
        return switch (rule.kind()) {
            case NOT_NULL, TYPE, GENERATED, DEFAULT -> Optional.empty();
            case PRIMARY_KEY, UNIQUE, REFERENCE, CHECK -> Optional.of(
                    Character.toUpperCase(rule.kind().words().charAt(0)) + rule.kind().words().substring(1) + " "
                    + rule.name() + (rule.text().isEmpty() ? "" : ": " + rule.text()));
        };
    }

    private static JavaCode code(Object value) {
        if (value == null) {
            return JavaCode.of("null");
        } else if (value instanceof Trial.LongText text) {
            return JavaCode.of("%s.repeat(%s)", JavaString.of(String.valueOf(text.unit())), text.length());
        } else if (value instanceof BigDecimal number) {
            boolean whole = number.scale() <= 0 && number.precision() - number.scale() < 19;
            return !whole ? JavaCode.of("new BigDecimal(%s)", JavaString.of(number.toPlainString()))
                    : Math.abs(number.longValueExact()) <= Integer.MAX_VALUE
                    ? JavaCode.of("%s", number.longValueExact())
                    : JavaCode.of("%sL", number.longValueExact());
        }
        if (value instanceof Sample.Document document) {
            return JavaCode.of("Json.parse(%s)", JavaString.of(document.json()));
        } else if (value instanceof List<?> items) {
            return JavaCode.of("Json.parse(%s)", JavaString.of(MAPPER.valueToTree(items).toString()));
        }
        return value instanceof Boolean truth ? JavaCode.of("%s", truth)
                : JavaCode.of("%s", JavaString.of(value.toString()));
    }

    private static JavaString json(Field field) {
        return JavaString.of(field.jsonName());
    }

    private static String name(Field field) {
        return field.name().value();
    }

    private static Field last(Relation relation) {
        return relation.fields().get(relation.fields().size() - 1);
    }

    private static String joined(Collection<Field> fields) {
        return fields.stream().map(RuleViews::name).collect(Collectors.joining(" and "));
    }
}
