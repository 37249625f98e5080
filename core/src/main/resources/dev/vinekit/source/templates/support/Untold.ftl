<#if s.secretive>
/**
 * A value that is stored and told to nobody, not to the log either.
 *
 * @param value as the driver takes it
 */
public record Untold(Object value) {
    /** The same value, untold; null for null. */
    public static Untold of(Object value) {
        return value == null ? null : new Untold(value);
    }

    @Override
    public String toString() {
        return "***";
    }
}
</#if>
