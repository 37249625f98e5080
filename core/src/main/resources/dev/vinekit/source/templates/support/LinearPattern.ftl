import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Holds texts to {@link jakarta.validation.constraints.Pattern} in time that grows with their length only: by an automaton, without going back. What it does
 * not know, such as a look ahead, is matched by Java's own expressions, which may take very long for some texts.
 */
public final class LinearPattern implements ConstraintValidator<jakarta.validation.constraints.Pattern, CharSequence> {
    private static final Logger LOG = LoggerFactory.getLogger(LinearPattern.class);

    private Predicate<CharSequence> matches;

    @Override
    public void initialize(jakarta.validation.constraints.Pattern constraint) {
        int known = 0;
        int flags = 0;
        for (jakarta.validation.constraints.Pattern.Flag flag : constraint.flags()) {
            flags |= flag.getValue();
            known |= switch (flag) {
                case CASE_INSENSITIVE -> com.google.re2j.Pattern.CASE_INSENSITIVE;
                case DOTALL -> com.google.re2j.Pattern.DOTALL;
                case MULTILINE -> com.google.re2j.Pattern.MULTILINE;
                default -> 0;
            };
        }
        try {
            com.google.re2j.Pattern pattern = com.google.re2j.Pattern.compile(constraint.regexp().replace("(?iu:", "(?i:"), known);
            matches = text -> pattern.matcher(text).matches();
        } catch (com.google.re2j.PatternSyntaxException e) {
            LOG.warn("The pattern {} may take very long for some texts: {}", constraint.regexp(), e.getMessage());
            Pattern pattern = Pattern.compile(constraint.regexp(), flags);
            matches = text -> pattern.matcher(text).matches();
        }
    }

    @Override
    public boolean isValid(CharSequence value, ConstraintValidatorContext context) {
        return value == null || matches.test(value);
    }
}
