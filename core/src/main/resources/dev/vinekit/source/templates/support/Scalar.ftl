<#if s.scalars>
import com.fasterxml.jackson.databind.JsonNode;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A JSON value is a number or a text; null is valid. */
@Documented
@jakarta.validation.Constraint(validatedBy = Scalar.Check.class)
@Target({ElementType.FIELD, ElementType.PARAMETER, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
public @interface Scalar {
    /** The message for clients; empty for the default. */
    String message() default "";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** Looks at the kind of the value. */
    final class Check implements ConstraintValidator<Scalar, JsonNode> {
        @Override
        public boolean isValid(JsonNode value, ConstraintValidatorContext context) {
            return value == null || value.isNull() || value.isTextual() || value.isNumber();
        }
    }
}
</#if>
