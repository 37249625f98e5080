package dev.vinekit.source.view;

import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.data.Proof;
import dev.vinekit.data.Rule;
import dev.vinekit.data.Sample;
import dev.vinekit.data.Trial;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Relation;
import dev.vinekit.source.TestedRule;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Spells the proofs of a table's rules as tests. */
final class RuleViews {
    private static final ObjectMapper MAPPER = new ObjectMapper();

    private final Mapping mapping;
    private final Entity entity;
    private final Set<String> methods = new HashSet<>();
    private final List<RuleView.RefusalView> refusals = new ArrayList<>();
    private final List<RuleView.FieldTestView> cleared = new ArrayList<>();
    private final List<RuleView.DefaultView> defaults = new ArrayList<>();
    private final List<RuleView.ReferredView> referred = new ArrayList<>();
    private final List<RuleView.ReleasedView> released = new ArrayList<>();
    private final List<RuleView.UncheckedView> unknown = new ArrayList<>();
    private final List<TestedRule> rules = new ArrayList<>();
    private boolean toItself;

    private RuleViews(Mapping mapping, Entity entity) {
        this.mapping = mapping;
        this.entity = entity;
    }

    static RuleViews of(Mapping mapping, Entity entity, List<Proof> proofs) {
        RuleViews views = new RuleViews(mapping, entity);
        for (Proof proof : proofs) {
            List<String> tests = proof.trials().stream().map(trial -> views.add(proof.rule(), trial)).toList();
            views.rules.add(new TestedRule(proof.rule().kind().words(), proof.rule().name(), proof.rule().text(), tests,
                    proof.reason()));
        }
        return views;
    }

    /** The rules, with the names of their tests. */
    List<TestedRule> rules() {
        return rules;
    }

    RuleView view() {
        return new RuleView(refusals, unknown, cleared, defaults, referred, released, toItself);
    }

    private String add(Rule rule, Trial trial) {
        DocText doc = DocText.of(doc(rule));
        if (trial instanceof Trial.Omitted omitted) {
            return refused(doc, "createWithout" + capital(omitted.field()) + "IsRefused", false,
                    JavaCode.of("Api.without(input, %s)", json(omitted.field())), 400, List.of(omitted.field()));
        } else if (trial instanceof Trial.Values values) {
            return refused(doc, joined(values.values().keySet()) + values.how() + "IsRefused", false,
                    with(values.values()), 400, List.copyOf(values.values().keySet()));
        } else if (trial instanceof Trial.Unchecked unchecked) {
            JavaName method = unique(joined(unchecked.values().keySet()) + "AgainstACheckIsRefused");
            JavaCode body = JavaCode.of("input");
            for (Map.Entry<Field, Optional<Object>> value : unchecked.values().entrySet()) {
                body = JavaCode.of("Api.with(%s, %s, %s)", body, json(value.getKey()),
                        value.getValue().map(RuleViews::code).orElse(JavaCode.of("null")));
            }
            unknown.add(new RuleView.UncheckedView(method, doc, body, JavaString.of(rule.name())));
            return method.value();
        } else if (trial instanceof Trial.Exchanged exchanged) {
            return refused(doc, joined(List.of(exchanged.left(), exchanged.right())) + "ExchangedAreRefused", false,
                    JavaCode.of("Api.exchanging(input, %s, %s)", json(exchanged.left()), json(exchanged.right())), 400,
                    List.of(exchanged.left()));
        } else if (trial instanceof Trial.Repeated repeated) {
            return refused(doc, repeated.from().name().value() + "EqualTo" + capital(repeated.to()) + "IsRefused",
                    false,
                    JavaCode.of("Api.with(input, %s, Json.tree(input).get(%s))", json(repeated.to()),
                            json(repeated.from())),
                    400, List.of(repeated.from()));
        } else if (trial instanceof Trial.Duplicated duplicated) {
            return refused(doc, "duplicate" + FieldViews.capitalised(joined(duplicated.fields())) + "IsRefused", true,
                    JavaCode.of("Api.copying(input, %s.of(stored), %s)", entity.name().with("Input"),
                            JavaCode.list(duplicated.fields().stream().map(RuleViews::json).toList())),
                    409, duplicated.named() ? duplicated.fields() : List.of());
        } else if (trial instanceof Trial.Dangling dangling) {
            List<Field> fields = dangling.relation().fields();
            Field last = fields.get(fields.size() - 1);
            return refused(doc, last.name().value() + "OfAMissingRowIsRefused", false,
                    with(Map.of(last, dangling.value())), 422, List.of(last));
        } else if (trial instanceof Trial.Given given) {
            return refused(doc, given.field().name().value() + "FromTheClientIsRefused", false,
                    with(Map.of(given.field(), BigDecimal.ONE)), 400, List.of(given.field()));
        } else if (trial instanceof Trial.Cleared clear) {
            JavaName method = unique(clear.field().name().value() + "CannotBeCleared");
            cleared.add(new RuleView.FieldTestView(method, doc, json(clear.field())));
            return method.value();
        } else if (trial instanceof Trial.LeftOut left) {
            JavaName method = unique(left.field().name().value() + "TakesItsDefault");
            defaults.add(new RuleView.DefaultView(method, doc, json(left.field()),
                    left.constant().map(JavaString::of)));
            return method.value();
        }
        if (trial instanceof Trial.Released released) {
            Field field = released.relation().fields().get(0);
            JavaName method = unique((released.gone() ? "rowGoesWithItsRowOf" : "rowLosesADeletedRowOf")
                    + capital(field));
            this.released.add(new RuleView.ReleasedView(method, doc, referring(released.relation()), field.name(),
                    JavaString.of("/" + mapping.entity(released.relation().foreignKey().target()).path() + "/"),
                    released.gone()));
            return method.value();
        }
        Relation relation = ((Trial.Abandoned) trial).relation();
        Field field = relation.fields().get(0);
        JavaName method = unique("rowReferredToBy" + capital(field) + "CannotBeDeleted");
        referred.add(new RuleView.ReferredView(method, doc, referring(relation), field.name(),
                JavaString.of("/" + mapping.entity(relation.foreignKey().target()).path() + "/"),
                JavaString.of(entity.path())));
        return method.value();
    }

    /** Code that stores a row which refers to another one. */
    private JavaCode referring(Relation relation) {
        if (!mapping.entity(relation.foreignKey().target()).equals(entity)) {
            return JavaCode.of("%sSamples.inserted(connection)", entity.name().inCode());
        }
        toItself = true;
        return JavaCode.of("referring(%s)", json(relation.fields().get(0)));
    }

    private String refused(DocText doc, String wanted, boolean stored, JavaCode body, int status, List<Field> fields) {
        JavaName method = unique(wanted);
        List<JavaCode> arguments = new ArrayList<>(List.of(body, JavaCode.of("%s", status)));
        fields.forEach(field -> arguments.add(JavaCode.of("%s", json(field))));
        refusals.add(new RuleView.RefusalView(method, doc, stored, JavaCode.list(arguments)));
        return method.value();
    }

    private JavaName unique(String wanted) {
        String name = wanted;
        for (int i = 2; !methods.add(name); i++) {
            name = wanted + i;
        }
        return JavaName.of(name);
    }

    private static String doc(Rule rule) {
        String kind = Character.toUpperCase(rule.kind().words().charAt(0)) + rule.kind().words().substring(1) + " ";
        return switch (rule.kind()) {
            case TYPE, DEFAULT -> kind + rule.text() + " of " + rule.name();
            default -> kind + rule.name() + (rule.text().isEmpty() ? "" : ": " + rule.text());
        };
    }

    private static JavaCode with(Map<Field, Object> values) {
        JavaCode body = JavaCode.of("input");
        for (Map.Entry<Field, Object> value : values.entrySet()) {
            body = JavaCode.of("Api.with(%s, %s, %s)", body, json(value.getKey()), code(value.getValue()));
        }
        return body;
    }

    private static JavaCode code(Object value) {
        if (value instanceof Trial.LongText text) {
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

    private static String capital(Field field) {
        return FieldViews.capitalised(field.name().value());
    }

    private static String joined(java.util.Collection<Field> fields) {
        String all = fields.stream().map(RuleViews::capital).collect(Collectors.joining("And"));
        String first = fields.iterator().next().name().value();
        return first + all.substring(first.length());
    }
}
