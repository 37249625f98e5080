package dev.vinekit.diagram;

import dev.vinekit.fault.Visible;

/** Texts in letters of one width, so that they take the same room whatever fonts a machine has. */
final class Letters {
    /** Pixels. */
    static final int SIZE = 12;

    /** How much wider the letters of titles are. */
    static final double TITLE = 1.09;

    private static final double WIDTH = 7.3;
    private static final int FIRST_WIDE = 0x1100;
    private static final String CUT = "\u2026";

    private Letters() {
    }

    /** A text on one line, in which nothing is hidden, with no more letters than these. */
    static String line(String text, int most) {
        String line = Visible.text(text.replaceAll("\\s+", " ").strip());
        int[] letters = line.codePoints().toArray();
        return letters.length <= most ? line : new String(letters, 0, most - 1) + CUT;
    }

    /** The room that a text takes, in pixels; letters of scripts that may be wide count twice. */
    static double width(String text) {
        return text.codePoints().mapToDouble(c -> c < FIRST_WIDE || c == CUT.charAt(0) ? WIDTH : 2 * WIDTH).sum();
    }
}
