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

<#if s.binary>
    /** So many bytes, the first of which tell the number. */
    public static Binary bytes(int n, int length) {
        byte[] number = length < Integer.BYTES ? new byte[] {(byte) n} : ByteBuffer.allocate(Integer.BYTES).putInt(n).array();
        return Binary.of(Arrays.copyOf(number, length));
    }

</#if>
    /** A number in binary digits, with leading zeros. */
    public static String bits(int n, int length) {
        return digits(0, length).concat(Integer.toBinaryString(n)).substring(Integer.toBinaryString(n).length());
    }

    /** A number with leading zeros. */
    public static String digits(int n, int length) {
        return String.format(Locale.ROOT, "%0" + length + "d", n);
    }
}
