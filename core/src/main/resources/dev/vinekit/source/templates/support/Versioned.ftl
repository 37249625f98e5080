<#if s.versioned>
/** A row that carries the number of its state. */
public interface Versioned {
    /** Another one after each change. */
    long rowVersion();
}
</#if>
