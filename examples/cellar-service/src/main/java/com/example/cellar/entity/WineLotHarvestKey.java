package com.example.cellar.entity;

import com.example.cellar.support.PathKeys;
import java.util.List;
import java.util.UUID;

/**
 * The primary key of {@link WineLotHarvest}. In a path it is one segment: the parts, percent-encoded, joined by commas.
 */
public record WineLotHarvestKey(UUID wineLotId, Long harvestId) {
    /** The path segment. */
    @Override
    public String toString() {
        return PathKeys.join(wineLotId, harvestId);
    }

    /**
     * The key that a path segment stands for.
     *
     * @throws IllegalArgumentException if it stands for none
     */
    public static WineLotHarvestKey fromString(String segment) {
        List<String> parts = PathKeys.split(segment, 2);
        return new WineLotHarvestKey(
                PathKeys.part(parts.get(0), UUID.class),
                PathKeys.part(parts.get(1), Long.class));
    }
}
