package dev.vinekit.fault;

import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;

/** Finds the name that somebody probably meant. */
public final class Nearest {
    private Nearest() {
    }

    /** The name with the fewest letters to insert, delete or change; the first of equals, empty if there is none. */
    public static Optional<String> of(String wanted, Collection<String> names) {
        String lower = wanted.toLowerCase(Locale.ROOT);
        return names.stream().min(Comparator.comparingInt(name -> distance(lower, name.toLowerCase(Locale.ROOT))));
    }

    /** Letters to insert, delete or change (Levenshtein distance). */
    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        Arrays.setAll(row, i -> i);
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int change = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(change, Math.min(row[j], row[j - 1]) + 1);
            }
        }
        return row[b.length()];
    }
}
