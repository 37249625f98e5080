package com.example.cellar.entity;

import com.example.cellar.support.CodedEnum;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** The values of column {@code COLOUR} of {@code GRAPE_VARIETY}. */
public enum GrapeVarietyColour implements CodedEnum {
    RED("red"),
    WHITE("white"),
    GREY("grey");

    private final String code;

    GrapeVarietyColour(String code) {
        this.code = code;
    }

    /** The value as the database stores it and JSON shows it. */
    @Override
    @JsonValue
    public String code() {
        return code;
    }

    /**
     * The value of this code; null for null.
     *
     * @throws IllegalArgumentException if there is none
     */
    @JsonCreator
    public static GrapeVarietyColour fromString(String code) {
        if (code == null) {
            return null;
        }
        for (GrapeVarietyColour value : values()) {
            if (value.code.equals(code)) {
                return value;
            }
        }
        throw new IllegalArgumentException("no such value: " + code);
    }
}
