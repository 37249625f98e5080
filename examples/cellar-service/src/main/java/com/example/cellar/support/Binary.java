package com.example.cellar.support;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;

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
