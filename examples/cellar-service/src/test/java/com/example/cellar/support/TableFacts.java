package com.example.cellar.support;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** What the tests of a table need to know of it: where it is, and what its properties are good for. */
public final class TableFacts {
    private enum Fact {
        KEY, DIFFERING, SORTABLE, FILTERS, ORDERED, SEARCHED, REQUIRED, UNIQUE, OVERWRITTEN, FOLLOWING, CHANGEABLE,
                CHILDREN
    }

    private final String path;
    private final Map<Fact, List<String>> facts;

    private TableFacts(String path, Map<Fact, List<String>> facts) {
        this.path = path;
        this.facts = facts;
    }

    /** A table of which nothing is known but the path of its collection. */
    public static TableFacts of(String path) {
        return new TableFacts(path, new EnumMap<>(Fact.class));
    }

    /** The properties of the key. */
    public TableFacts key(String... properties) {
        return with(Fact.KEY, properties);
    }

    /** The properties of the key that differ from row to row; all of them if nothing else is said. */
    public TableFacts differing(String... properties) {
        return with(Fact.DIFFERING, properties);
    }

    /** The properties outside the key that rows can be sorted by. */
    public TableFacts sortable(String... properties) {
        return with(Fact.SORTABLE, properties);
    }

    /** The properties to filter by in which new rows have a value. */
    public TableFacts filters(String... properties) {
        return with(Fact.FILTERS, properties);
    }

    /** A property by whose order every row is before, beside or after another. */
    public TableFacts ordered(String property) {
        return with(Fact.ORDERED, property);
    }

    /** A property with text to look into, in which new rows have a value. */
    public TableFacts searched(String property) {
        return with(Fact.SEARCHED, property);
    }

    /** The properties that a new row needs. */
    public TableFacts required(String... properties) {
        return with(Fact.REQUIRED, properties);
    }

    /** The properties of a key of which a new row can be a duplicate. */
    public TableFacts unique(String... properties) {
        return with(Fact.UNIQUE, properties);
    }

    /** The properties that triggers give values of their own to. */
    public TableFacts overwritten(String... properties) {
        return with(Fact.OVERWRITTEN, properties);
    }

    /**
     * The properties that a change of others may change, like times of the last change; the overwritten ones if nothing
     * else is said.
     */
    public TableFacts following(String... properties) {
        return with(Fact.FOLLOWING, properties);
    }

    /** The properties that can change without the rest of the row following. */
    public TableFacts changeable(String... properties) {
        return with(Fact.CHANGEABLE, properties);
    }

    /** The paths of the collections below a row, which {@code {key}} stands for. */
    public TableFacts children(String... paths) {
        return with(Fact.CHILDREN, paths);
    }

    String path() {
        return path;
    }

    List<String> key() {
        return get(Fact.KEY);
    }

    List<String> differing() {
        return facts.containsKey(Fact.DIFFERING) ? get(Fact.DIFFERING) : key();
    }

    List<String> sortable() {
        return get(Fact.SORTABLE);
    }

    List<String> filters() {
        return get(Fact.FILTERS);
    }

    String ordered() {
        return get(Fact.ORDERED).get(0);
    }

    String searched() {
        return get(Fact.SEARCHED).get(0);
    }

    List<String> required() {
        return get(Fact.REQUIRED);
    }

    List<String> unique() {
        return get(Fact.UNIQUE);
    }

    List<String> overwritten() {
        return get(Fact.OVERWRITTEN);
    }

    List<String> following() {
        return facts.containsKey(Fact.FOLLOWING) ? get(Fact.FOLLOWING) : overwritten();
    }

    List<String> changeable() {
        return get(Fact.CHANGEABLE);
    }

    List<String> children() {
        return get(Fact.CHILDREN);
    }

    private List<String> get(Fact fact) {
        return facts.getOrDefault(fact, List.of());
    }

    private TableFacts with(Fact fact, String... names) {
        Map<Fact, List<String>> more = new EnumMap<>(facts);
        more.put(fact, List.of(names));
        return new TableFacts(path, more);
    }
}
