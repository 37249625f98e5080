<#if s.converted>
/**
 * Makes values of a type of the house's own of what a column stores, and back.
 *
 * @param <S> what the database stores
 * @param <T> what the service uses; Jackson must be able to write it as JSON and to read it again
 */
public interface ColumnConverter<S, T> {
    /**
     * The value for what is stored, which is never null.
     *
     * @throws IllegalArgumentException if there is none
     */
    T fromDatabase(S stored);

    /** What to store for a value, which is never null. */
    S toDatabase(T value);

    /** As {@link #fromDatabase}; null for null. */
    default T read(S stored) {
        return stored == null ? null : fromDatabase(stored);
    }

    /** As {@link #toDatabase}; null for null. */
    default S write(T value) {
        return value == null ? null : toDatabase(value);
    }
}
</#if>
