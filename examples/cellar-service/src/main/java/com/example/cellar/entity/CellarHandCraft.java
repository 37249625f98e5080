package com.example.cellar.entity;

import com.example.cellar.support.CodedEnum;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** The values of column {@code CRAFT} of {@code CELLAR_HAND}. */
public enum CellarHandCraft implements CodedEnum {
    CELLAR("cellar"),
    COOPERAGE("cooperage"),
    LABORATORY("laboratory"),
    VINEYARD("vineyard");

    private final String code;

    CellarHandCraft(String code) {
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
    public static CellarHandCraft fromString(String code) {
        if (code == null) {
            return null;
        }
        for (CellarHandCraft value : values()) {
            if (value.code.equals(code)) {
                return value;
            }
        }
        throw new IllegalArgumentException("no such value: " + code);
    }
}
