<#if s.binary>
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Base64;

/** Bytes that compare by content; Base64 in JSON. */
public final class Binary {
    private final byte[] bytes;

    private Binary(byte[] bytes) {
        this.bytes = bytes;
    }

    /** A copy of the bytes; null for null. */
    @JsonCreator
    public static Binary of(byte[] bytes) {
        return bytes == null ? null : new Binary(bytes.clone());
    }

    /** A copy of the bytes. */
    @JsonValue
    public byte[] bytes() {
        return bytes.clone();
    }

    /** The number of bytes. */
    public int length() {
        return bytes.length;
    }

    /**
     * The bytes that a part of a path stands for.
     *
     * @throws IllegalArgumentException if it is not Base64 for URLs without padding (RFC 4648, section 5)
     */
    public static Binary fromString(String segment) {
        Binary binary = new Binary(Base64.getUrlDecoder().decode(segment));
        if (!binary.segment().equals(segment)) {
            throw new IllegalArgumentException("another way to write the same bytes");
        }
        return binary;
    }

    /** The bytes as a part of a path: Base64 for URLs without padding (RFC 4648, section 5). */
    public String segment() {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Binary binary && Arrays.equals(bytes, binary.bytes);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(bytes);
    }

    @Override
    public String toString() {
        return "Binary[" + bytes.length + " bytes]";
    }
}
</#if>
