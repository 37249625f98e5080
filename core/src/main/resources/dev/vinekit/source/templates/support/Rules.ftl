import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validation;
import jakarta.validation.Validator;
import jakarta.validation.groups.Default;
import jakarta.validation.metadata.ConstraintDescriptor;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.hibernate.validator.HibernateValidator;
import org.hibernate.validator.HibernateValidatorConfiguration;
import org.hibernate.validator.cfg.ConstraintMapping;
import org.hibernate.validator.messageinterpolation.ParameterMessageInterpolator;

/** Checks an input: the annotations of its fields, then rules that need more than an annotation. Null keeps every rule. */
public final class Rules {
    /** Begins the message of an annotation that has none of its own. */
    private static final String STANDARD = "{jakarta.validation.";
    private static final Validator VALIDATOR = validator();

    private final List<Violation> violations;

    private Rules(List<Violation> violations) {
        this.violations = violations;
    }

    private static Validator validator() {
        HibernateValidatorConfiguration configuration = Validation.byProvider(HibernateValidator.class).configure()
                .messageInterpolator(new OwnMessages());
        ConstraintMapping mapping = configuration.createConstraintMapping();
        mapping.constraintDefinition(jakarta.validation.constraints.Pattern.class).includeExistingValidators(false).validatedBy(LinearPattern.class);
        return configuration.addMapping(mapping).buildValidatorFactory().getValidator();
    }

    /** Begins with the annotations of the default group and of this one. */
    public static Rules of(Object input, Class<?> group) {
        return new Rules(VALIDATOR.validate(input, Default.class, group).stream()
                .map(Rules::violation)
                .sorted(Comparator.comparing(Violation::field).thenComparing(Violation::rule))
                .collect(Collectors.toCollection(ArrayList::new)));
    }

    private static Violation violation(ConstraintViolation<?> violation) {
        return new Violation(
                ${s.renamed?then("property(violation)", "violation.getPropertyPath().toString()")}<#if s.lists>.replace(".<list element>", "")</#if>,
                violation.getConstraintDescriptor().getAnnotation().annotationType().getSimpleName(),
                violation.getMessageTemplate().startsWith(STANDARD)<#if s.bytes> || violation.getMessageTemplate().isEmpty()</#if>
                        ? message(violation.getConstraintDescriptor())
                        : violation.getMessage());
    }

<#if s.renamed>
    private static String property(ConstraintViolation<?> violation) {
<#if s.lists>
        String path = violation.getPropertyPath().toString();
        String name = path.replaceFirst("\\[.*", "");
<#else>
        String name = violation.getPropertyPath().toString();
</#if>
        return Arrays.stream(violation.getRootBeanClass().getRecordComponents())
                .filter(component -> component.getName().equals(name)).map(Json::property).findFirst().orElse(name)<#if s.lists> + path.substring(name.length())</#if>;
    }

</#if>
    /** Fills in messages that annotations have of their own; for others see {@link #message}. */
    private static final class OwnMessages extends ParameterMessageInterpolator {
        @Override
        public String interpolate(String message, Context context) {
            return message.startsWith(STANDARD) ? message : super.interpolate(message, context);
        }
    }

    /** What a value must be, for annotations that do not say it in a message of their own. */
    private static String message(ConstraintDescriptor<?> rule) {
        Map<String, Object> attributes = rule.getAttributes();
        return switch (rule.getAnnotation().annotationType().getSimpleName()) {
            case "NotNull" -> "is required";
            case "Null" -> rule.getGroups().contains(OnCreate.class) ? "is numbered by the database; leave it out" : "must be left out";
            case "Size" -> size((int) attributes.get("min"), (int) attributes.get("max"), "characters");
<#if s.bytes>
            case "Bytes" -> size((int) attributes.get("min"), (int) attributes.get("max"), "bytes");
</#if>
<#if s.scalars>
            case "Scalar" -> "must be a number or a text";
</#if>
            case "Digits" -> "must have at most " + attributes.get("integer") + " digits before the point and "
                    + attributes.get("fraction") + " after it";
            case "Min" -> "must be at least " + attributes.get("value");
            case "Max" -> "must be at most " + attributes.get("value");
            case "DecimalMin" -> (attributes.get("inclusive").equals(true) ? "must be at least " : "must be greater than ")
                    + attributes.get("value");
            case "DecimalMax" -> (attributes.get("inclusive").equals(true) ? "must be at most " : "must be less than ")
                    + attributes.get("value");
            case "Pattern" -> "must match the pattern " + attributes.get("regexp");
            default -> "breaks the rule " + rule.getAnnotation().annotationType().getSimpleName();
        };
    }

    private static String size(int min, int max, String unit) {
        if (min == 0) {
            return "must be at most " + max + " " + unit + " long";
        } else if (max == Integer.MAX_VALUE) {
            return "must be at least " + min + " " + unit + " long";
        }
        return min == max ? "must be " + min + " " + unit + " long" : "must be " + min + " to " + max + " " + unit + " long";
    }

    public <T extends Comparable<? super T>> Rules atLeast(String field, T value, String otherField, T other) {
        return ordered(field, value, other, order -> order >= 0, "AtLeast", "must not be less than " + otherField);
    }

    public <T extends Comparable<? super T>> Rules greater(String field, T value, String otherField, T other) {
        return ordered(field, value, other, order -> order > 0, "Greater", "must be greater than " + otherField);
    }

    public <T extends Comparable<? super T>> Rules atMost(String field, T value, String otherField, T other) {
        return ordered(field, value, other, order -> order <= 0, "AtMost", "must not be greater than " + otherField);
    }

    public <T extends Comparable<? super T>> Rules less(String field, T value, String otherField, T other) {
        return ordered(field, value, other, order -> order < 0, "Less", "must be less than " + otherField);
    }

    public <T extends Comparable<? super T>> Rules different(String field, T value, String otherField, T other) {
        return ordered(field, value, other, order -> order != 0, "Different", "must differ from " + otherField);
    }

    public <T extends Comparable<? super T>> Rules equal(String field, T value, String otherField, T other) {
        return ordered(field, value, other, order -> order == 0, "Equal", "must equal " + otherField);
    }

    private <T extends Comparable<? super T>> Rules ordered(
            String field, T value, T other, IntPredicate kept, String rule, String message) {
        return require(value == null || other == null || kept.test(value.compareTo(other)), field, rule, message);
    }

    /** A number that is one of a few. */
    public Rules oneOf(String field, Number value, String... options) {
        boolean kept = value == null || Arrays.stream(options)
                .anyMatch(option -> new BigDecimal(option).compareTo(new BigDecimal(value.toString())) == 0);
        return require(kept, field, "OneOf", "must be one of " + String.join(", ", options));
    }

    /** A part of the key, which may be left out of the body but not differ from the path. */
    public Rules sameKey(String field, Object value, Object inPath) {
        return require(value == null || value.equals(inPath), field, "Key", "must equal the key in the path");
    }

    /** Forgives what was broken before, in fields that are not touched. */
    public Rules forgive(Rules before, Predicate<String> touched) {
        violations.removeIf(violation -> before.violations.contains(violation)
                && !touched.test(violation.field().replaceFirst("\\[.*", "")));
        return this;
    }

    private Rules require(boolean kept, String field, String rule, String message) {
        if (!kept) {
            violations.add(new Violation(field, rule, message));
        }
        return this;
    }

    /**
     * Ends the checks of several inputs, each an element of an array.
     *
     * @throws ProblemException 400 with every violation of every element, if there is one
     */
    public static void verify(List<Rules> elements) {
        List<Violation> all = new ArrayList<>();
        for (int i = 0; i < elements.size(); i++) {
            String element = "[" + i + "]";
            elements.get(i).violations.forEach(violation -> all.add(violation.in(element)));
        }
        if (!all.isEmpty()) {
            throw ProblemException.invalid(all);
        }
    }

    /**
     * Ends the check.
     *
     * @throws ProblemException 400 with every violation, if there is one
     */
    public void verify() {
        if (!violations.isEmpty()) {
            throw ProblemException.invalid(violations);
        }
    }
}
