package dev.vinekit.data;

import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Relation;
import dev.vinekit.sql.ArrayText;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A value for one field of a row. Those that must differ from row to row depend on the row's number {@code n}. */
public sealed interface Sample {
    /** The letters from A to Z. */
    int LETTERS = 26;

    /** No value: NULL, or whatever the database fills in. */
    record Nothing() implements Sample { }

    /** The same text in each row. */
    record Text(String value) implements Sample { }

    /**
     * {@code before}, then {@code n}, then {@code after}.
     *
     * @param digits with leading zeros, so many digits in all; 0 for none
     */
    record NumberedText(String before, int digits, String after) implements Sample { }

    /**
     * {@code before}, then {@code n} in base 26, then {@code after}.
     *
     * @param zero the letter for 0: {@code A} or {@code a}
     * @param letters how many letters at least
     */
    record NumberedLetters(String before, char zero, int letters, String after) implements Sample { }

    /** The letter so many places after A. */
    record Letter() implements Sample { }

    /** The same number in each row. */
    record Number(BigDecimal value) implements Sample { }

    /** {@code base + step * n}. */
    record NumberedNumber(BigDecimal base, int step) implements Sample { }

    /** True or false, the same in each row. */
    record Truth(boolean value) implements Sample { }

    /** A constant of a generated enumeration, with the value that the database has for it. */
    record Constant(JavaName enumeration, JavaName constant, String value) implements Sample { }

    /**
     * A whole number of few: the row's number as one digit of several, which the fields of a key share.
     *
     * @param least the value of the digit 0
     * @param divisor how many rows have the same digit before it changes
     * @param room how many digits there are
     */
    record NumberedDigit(BigDecimal least, int divisor, int room) implements Sample { }

    /**
     * One of a few values: the row's number as one digit of several, which the fields of a key share.
     *
     * @param values as the database has them
     * @param divisor how many rows have the same value before it changes
     */
    record NumberedChoice(List<String> values, int divisor) implements Sample {
        public NumberedChoice {
            values = List.copyOf(values);
        }
    }

    /** A text with the row's number wherever {@code #} stands, and its last two digits wherever {@code ##} does. */
    record NumberedTemplate(String text) implements Sample { }

    /** A date or time in ISO 8601. */
    record Moment(String iso) implements Sample { }

    /** A date or time in ISO 8601, {@code n} days later, or {@code n} minutes if it is a time of day. */
    record NumberedMoment(String iso) implements Sample { }

    /** The same UUID in each row. */
    record Uuid(String text) implements Sample { }

    /** A UUID made from {@code n}. */
    record NumberedUuid() implements Sample { }

    /** A JSON document. */
    record Document(String json) implements Sample { }

    /** A JSON document with the row's number where {@code #} is. */
    record NumberedDocument(String json) implements Sample { }

    /** Several values of the type of a list. */
    record Items(List<Sample> values) implements Sample {
        public Items {
            values = List.copyOf(values);
        }
    }

    /** Bytes in hexadecimal. */
    record Bytes(String hex) implements Sample { }

    /** So many bytes, the first of which tell {@code n}: as many as a number has, or one. */
    record NumberedBytes(int length) implements Sample { }

    /** The last {@code length} binary digits of {@code n / divisor}. */
    record NumberedBits(int length, int divisor) implements Sample {
        /** Whether numbers that rows have share a value. */
        public boolean isRepeated() {
            return length < KeyRoom.ENOUGH_BITS;
        }
    }

    /** The value that the row referred to has in a field. */
    record Reference(Relation relation, Field target) implements Sample { }

    /** Whether the value depends on the row's number. */
    default boolean isNumbered() {
        return this instanceof NumberedText || this instanceof NumberedNumber || this instanceof NumberedMoment
                || this instanceof NumberedDigit || this instanceof NumberedChoice || this instanceof NumberedTemplate
                || this instanceof NumberedUuid || this instanceof Letter || this instanceof NumberedBytes
                || this instanceof NumberedBits || this instanceof NumberedDocument || this instanceof NumberedLetters;
    }

    /** The value that a row with this number has, which depends on no number any more. */
    default Sample ofRow(int n) {
        if (this instanceof NumberedText || this instanceof NumberedTemplate || this instanceof Letter
                || this instanceof NumberedBits || this instanceof NumberedLetters || this instanceof NumberedChoice) {
            return new Text(text(n));
        } else if (this instanceof NumberedNumber || this instanceof NumberedDigit) {
            return new Number(new BigDecimal(text(n)));
        } else if (this instanceof NumberedMoment) {
            return new Moment(text(n));
        } else if (this instanceof NumberedUuid) {
            return new Uuid(text(n));
        } else if (this instanceof NumberedDocument) {
            return new Document(text(n));
        } else if (this instanceof NumberedBytes) {
            return new Bytes(text(n));
        }
        return this;
    }

    /**
     * The value as text, binary ones in hexadecimal, several as {@link ArrayText} has them.
     *
     * @param n the row's number
     * @throws IllegalArgumentException if it has none by itself: references, and nothing
     */
    default String text(int n) {
        if (this instanceof Text text) {
            return text.value();
        } else if (this instanceof NumberedText text) {
            String number = text.digits() == 0 ? String.valueOf(n)
                    : String.format(Locale.ROOT, "%0" + text.digits() + "d", n);
            return text.before() + number + text.after();
        } else if (this instanceof NumberedLetters text) {
            StringBuilder letters = new StringBuilder();
            for (int rest = n; rest > 0 || letters.length() < text.letters(); rest /= LETTERS) {
                letters.insert(0, (char) (text.zero() + rest % LETTERS));
            }
            return text.before() + letters + text.after();
        } else if (this instanceof Letter) {
            return Character.toString('A' + n);
        } else if (this instanceof Number number) {
            return number.value().toPlainString();
        } else if (this instanceof NumberedNumber number) {
            return number.base().add(BigDecimal.valueOf((long) n * number.step())).toPlainString();
        } else if (this instanceof NumberedDigit digit) {
            return digit.least().add(BigDecimal.valueOf(n / digit.divisor() % digit.room())).toPlainString();
        } else if (this instanceof NumberedChoice choice) {
            return choice.values().get(n / choice.divisor() % choice.values().size());
        } else if (this instanceof NumberedTemplate template) {
            return template.text().replace("##", String.format(Locale.ROOT, "%02d", n % 100))
                    .replace("#", String.valueOf(n));
        } else if (this instanceof Truth truth) {
            return truth.value() ? "TRUE" : "FALSE";
        } else if (this instanceof Constant constant) {
            return constant.value();
        } else if (this instanceof Moment moment) {
            return moment.iso();
        } else if (this instanceof NumberedMoment moment) {
            return later(moment.iso(), n);
        } else if (this instanceof Uuid uuid) {
            return uuid.text();
        } else if (this instanceof NumberedUuid) {
            return String.format(Locale.ROOT, "00000000-0000-4000-8000-%012d", n);
        } else if (this instanceof Document document) {
            return document.json();
        } else if (this instanceof NumberedDocument document) {
            return document.json().replace("#", String.valueOf(n));
        } else if (this instanceof NumberedBytes bytes) {
            String number = bytes.length() < Integer.BYTES ? String.format("%02x", n & 0xff) : String.format("%08x", n);
            return number + "00".repeat(bytes.length() - number.length() / 2);
        } else if (this instanceof NumberedBits bits) {
            String number = Integer.toBinaryString(n / bits.divisor());
            return ("0".repeat(bits.length()) + number).substring(number.length());
        } else if (this instanceof Items items) {
            return ArrayText.of(items.values().stream().map(value -> Optional.of(value.text(n))).toList());
        } else if (this instanceof Bytes bytes) {
            return bytes.hex();
        }
        throw new IllegalArgumentException("no text for " + this);
    }

    private static String later(String iso, int n) {
        if (iso.indexOf('-') < 0) {
            LocalTime time = LocalTime.parse(iso.substring(0, 8));
            return time.plusMinutes(n).format(DateTimeFormatter.ISO_LOCAL_TIME) + iso.substring(8);
        }
        return LocalDate.parse(iso.substring(0, 10)).plusDays(n) + iso.substring(10);
    }
}
