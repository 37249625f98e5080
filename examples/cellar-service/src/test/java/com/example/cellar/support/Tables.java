package com.example.cellar.support;

import java.util.List;
import java.util.stream.Collectors;

/** The tables that tests write to, each after those that it refers to. */
public enum Tables {
    CELLAR_HAND("cellar_hand", true, List.of("id")),
    GRAPE_VARIETY("grape_variety", true, List.of("code")),
    LABEL("label", true, List.of("id")),
    VESSEL("vessel", true, List.of("id")),
    BLEND("blend", true, List.of("id")),
    CELLAR_LOG("cellar_log", false, List.of("logged_at", "hand_id", "entry")),
    PARCEL("parcel", true, List.of("id")),
    VESSEL_TRANSFER("vessel_transfer", true, List.of("id")),
    WINE_LOT("wine_lot", true, List.of("id")),
    BLEND_COMPONENT("blend_component", true, List.of("blend_id", "wine_lot_id")),
    BOTTLING("bottling", true, List.of("id")),
    HARVEST("harvest", true, List.of("id")),
    LAB_ANALYSIS("lab_analysis", true, List.of("id")),
    WINE_LOT_HARVEST("wine_lot_harvest", true, List.of("wine_lot_id", "harvest_id"));

    private final String sqlName;
    private final boolean keyed;
    private final List<String> columns;

    Tables(String sqlName, boolean keyed, List<String> columns) {
        this.sqlName = sqlName;
        this.keyed = keyed;
        this.columns = columns;
    }

    /** The table as SQL spells it. */
    public String sqlName() {
        return sqlName;
    }

    /** Whether {@link #columns} are a key. */
    public boolean isKeyed() {
        return keyed;
    }

    /** The columns that tell rows apart: the key, or else all that can be compared. */
    public List<String> columns() {
        return columns;
    }

    /** The condition that picks out one row. */
    public String match() {
        String equals = keyed ? " = ?" : " IS NOT DISTINCT FROM ?";
        return columns.stream().map(column -> column + equals).collect(Collectors.joining(" AND "));
    }
}
