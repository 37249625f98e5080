package com.example.cellar.entity;

import java.math.BigDecimal;
import java.util.UUID;

/**
 * A lot's part in a blend.
 *
 * <p>Table {@code BLEND_COMPONENT}.
 *
 * @param share Per cent by volume
 */
public record BlendComponent(
        int blendId,
        UUID wineLotId,
        BigDecimal share) {
    /** The primary key. */
    public BlendComponentKey primaryKey() {
        return new BlendComponentKey(blendId, wineLotId);
    }
}
