/** Numbers that make the sample rows of one test differ from each other and from the seed rows. */
public final class Numbers {
    private static final int FIRST = 11;
    private static final AtomicInteger NEXT = new AtomicInteger(FIRST);

    private Numbers() {
    }

    public static int next() {
        return NEXT.getAndIncrement();
    }

    /** Begins again, when a test has taken its rows away. */
    public static void restart() {
        NEXT.set(FIRST);
    }

    /** A UUID for each number. */
    public static UUID uuid(int n) {
        return new UUID(0x4000L, 0x8000_0000_0000_0000L + n);
    }

    /** A number with leading zeros. */
    public static String digits(int n, int length) {
        return String.format(Locale.ROOT, "%0" + length + "d", n);
    }
}
