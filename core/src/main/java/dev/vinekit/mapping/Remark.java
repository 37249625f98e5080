package dev.vinekit.mapping;

import dev.vinekit.schema.TableName;

/** Something that could not be carried over as it stands, or was named otherwise, and why. */
public record Remark(TableName table, String text) {
}
