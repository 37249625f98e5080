package com.example.cellar.entity;

import com.example.cellar.support.PathKeys;
import java.util.List;
import java.util.UUID;

/**
 * The primary key of {@link BlendComponent}. In a path it is one segment: the parts, percent-encoded, joined by commas.
 */
public record BlendComponentKey(Integer blendId, UUID wineLotId) {
    /** The path segment. */
    @Override
    public String toString() {
        return PathKeys.join(blendId, wineLotId);
    }

    /**
     * The key that a path segment stands for.
     *
     * @throws IllegalArgumentException if it stands for none
     */
    public static BlendComponentKey fromString(String segment) {
        List<String> parts = PathKeys.split(segment, 2);
        return new BlendComponentKey(
                PathKeys.part(parts.get(0), Integer.class),
                PathKeys.part(parts.get(1), UUID.class));
    }
}
