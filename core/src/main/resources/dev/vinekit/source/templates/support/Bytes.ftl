<#if s.bytes>
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A binary value has at least and at most so many bytes; null is fine. */
@Documented
@jakarta.validation.Constraint(validatedBy = Bytes.Count.class)
@Target({ElementType.FIELD, ElementType.PARAMETER, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
public @interface Bytes {
    /** The least number of bytes. */
    int min() default 0;

    /** The greatest number of bytes. */
    int max() default Integer.MAX_VALUE;

    /** What is said instead of the usual; empty for that. */
    String message() default "";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** Counts the bytes. */
    final class Count implements ConstraintValidator<Bytes, Binary> {
        private int min;
        private int max;

        @Override
        public void initialize(Bytes limits) {
            min = limits.min();
            max = limits.max();
        }

        @Override
        public boolean isValid(Binary value, ConstraintValidatorContext context) {
            return value == null || value.length() >= min && value.length() <= max;
        }
    }
}
</#if>
