package com.example.cellar.support;

import java.util.List;

/** The tables that tests write to, each after those that it refers to. */
public enum Tables {
    CELLAR_HAND("cellar_hand", "*", List.of("id"), "id = ?"),
    GRAPE_VARIETY("grape_variety", "*", List.of("code"), "code = ?"),
    LABEL("label", "*", List.of("id"), "id = ?"),
    VESSEL("vessel", "*", List.of("id"), "id = ?"),
    BLEND("blend", "*", List.of("id"), "id = ?"),
    CELLAR_LOG("cellar_log", "*", List.of("logged_at", "hand_id", "entry"),
            "logged_at IS NOT DISTINCT FROM ? AND hand_id IS NOT DISTINCT FROM ? AND entry IS NOT DISTINCT FROM ?"),
    PARCEL("parcel", "*", List.of("id"), "id = ?"),
    VESSEL_TRANSFER("vessel_transfer", "*", List.of("id"), "id = ?"),
    WINE_LOT("wine_lot", "*", List.of("id"), "id = ?"),
    BLEND_COMPONENT("blend_component", "*", List.of("blend_id", "wine_lot_id"), "blend_id = ? AND wine_lot_id = ?"),
    BOTTLING("bottling", "*", List.of("id"), "id = ?"),
    HARVEST("harvest", "*", List.of("id"), "id = ?"),
    LAB_ANALYSIS("lab_analysis", "*", List.of("id"), "id = ?"),
    WINE_LOT_HARVEST("wine_lot_harvest", "*", List.of("wine_lot_id", "harvest_id"),
            "wine_lot_id = ? AND harvest_id = ?"),
    ;

    private final String sqlName;
    private final String everything;
    private final List<String> columns;
    private final String match;

    Tables(String sqlName, String everything, List<String> columns, String match) {
        this.sqlName = sqlName;
        this.everything = everything;
        this.columns = columns;
        this.match = match;
    }

    /** The table as SQL spells it. */
    public String sqlName() {
        return sqlName;
    }

    /** The query for every column of every row. */
    public String query() {
        return "SELECT " + everything + " FROM " + sqlName;
    }

    /** The columns that tell rows apart: the key, or else all that can be compared. */
    public List<String> columns() {
        return columns;
    }

    /** The condition that picks out one row by {@link #columns}. */
    public String match() {
        return match;
    }
}
