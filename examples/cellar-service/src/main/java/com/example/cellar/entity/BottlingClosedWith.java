package com.example.cellar.entity;

import com.example.cellar.support.CodedEnum;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** The values of column {@code CLOSED_WITH} of {@code BOTTLING}. */
public enum BottlingClosedWith implements CodedEnum {
    CORK("cork"),
    SCREW_CAP("screw cap"),
    CROWN_CAP("crown cap"),
    GLASS("glass");

    private final String code;

    BottlingClosedWith(String code) {
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
    public static BottlingClosedWith fromString(String code) {
        if (code == null) {
            return null;
        }
        for (BottlingClosedWith value : values()) {
            if (value.code.equals(code)) {
                return value;
            }
        }
        throw new IllegalArgumentException("no such value: " + code);
    }
}
