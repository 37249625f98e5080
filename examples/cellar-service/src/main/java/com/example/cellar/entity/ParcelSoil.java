package com.example.cellar.entity;

import com.example.cellar.support.CodedEnum;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** The values of column {@code SOIL} of {@code PARCEL}. */
public enum ParcelSoil implements CodedEnum {
    CHALK("chalk"),
    CLAY("clay"),
    GRAVEL("gravel"),
    LOAM("loam"),
    SAND("sand"),
    SLATE("slate");

    private final String code;

    ParcelSoil(String code) {
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
    public static ParcelSoil fromString(String code) {
        if (code == null) {
            return null;
        }
        for (ParcelSoil value : values()) {
            if (value.code.equals(code)) {
                return value;
            }
        }
        throw new IllegalArgumentException("no such value: " + code);
    }
}
