package dev.vinekit.mapping;

/** What the service can do with the rows of a table. */
public enum Operation {
    LIST, CREATE, READ, REPLACE, PATCH, DELETE
}
