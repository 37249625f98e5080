package dev.vinekit.engine;

import dev.vinekit.sql.SqlText;
import java.util.ArrayList;
import java.util.List;

/**
 * A statement that comes before the tables, and what it makes: a sequence, type, domain, function or the like.
 *
 * @param sort what sort of thing
 * @param name tells it from others of its sort; of a function with its arguments
 * @param spelled the name as statements write it
 */
record Preliminary(String sort, String name, String spelled, String statement) {

    /** Each after those whose names it mentions; extensions first, for they bring whatever they bring. */
    static List<Preliminary> ordered(List<Preliminary> statements) {
        List<Preliminary> open = new ArrayList<>(statements);
        List<Preliminary> ordered = new ArrayList<>();
        while (!open.isEmpty()) {
            Preliminary next = open.stream().filter(each -> open.stream().noneMatch(each::waitsFor)).findFirst()
                    .orElse(open.get(0));
            ordered.add(next);
            open.remove(next);
        }
        return ordered;
    }

    /** Whether both make a thing of the same name. */
    boolean makesSameAs(Preliminary other) {
        return sort.equals(other.sort) && name.equals(other.name);
    }

    /** Whether it can be run where there is already something of this name. */
    boolean isRepeatable() {
        return statement.startsWith("CREATE OR REPLACE ") || isExtension();
    }

    private boolean waitsFor(Preliminary other) {
        return other != this && !isExtension() && (other.isExtension() || mentions(other.simpleName()));
    }

    private boolean isExtension() {
        return sort.equals("extension");
    }

    /** A body in quotes is not looked at: what it names need not be there yet. */
    private boolean mentions(String word) {
        return SqlText.identifiers(statement.replaceAll("(?s)\\$(\\w*)\\$.*\\$\\1\\$", ""), found -> found)
                .contains(word);
    }

    /** The name without its schema, quotes and arguments. */
    private String simpleName() {
        String bare = spelled.replaceAll("\\(.*", "");
        return bare.substring(bare.lastIndexOf('.') + 1).replace("\"", "");
    }
}
