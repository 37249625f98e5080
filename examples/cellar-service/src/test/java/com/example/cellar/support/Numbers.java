package com.example.cellar.support;

import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;

/** Numbers that make the sample rows of a table differ from each other, within one test, and from the seed rows. */
public final class Numbers {
    /** The most rows that a test adds to a table. */
    public static final int MOST_ADDED = 4;

    private static final int FIRST = 11;
    private static final int LETTERS = 26;
    private static final Map<Class<?>, AtomicInteger> NEXT = new ConcurrentHashMap<>();

    private Numbers() {
    }

    /** The next number for the rows that a class makes. */
    public static int next(Class<?> samples) {
        return NEXT.computeIfAbsent(samples, key -> new AtomicInteger(FIRST)).getAndIncrement();
    }

    /** Begins again, when a test has taken its rows away. */
    public static void restart() {
        NEXT.clear();
    }

    /** A UUID for each number. */
    public static UUID uuid(int n) {
        return new UUID(0x4000L, 0x8000_0000_0000_0000L + n);
    }

    /** A number with leading zeros. */
    public static String digits(int n, int length) {
        return String.format(Locale.ROOT, "%0" + length + "d", n);
    }

    /** The last binary digits of a number. */
    public static String bits(int n, int length) {
        String digits = "0".repeat(length) + Integer.toBinaryString(n);
        return digits.substring(digits.length() - length);
    }

    /** A number in base 26, with leading zeros, whose digits are letters. */
    public static String letters(int n, char zero, int length) {
        StringBuilder text = new StringBuilder();
        for (int rest = n; rest > 0 || text.length() < length; rest /= LETTERS) {
            text.insert(0, (char) (zero + rest % LETTERS));
        }
        return text.toString();
    }
}
