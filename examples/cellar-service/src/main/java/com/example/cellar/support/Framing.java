package com.example.cellar.support;

import io.undertow.util.StatusCodes;
import java.nio.ByteBuffer;
import java.util.Locale;

/**
 * Follows the bytes of a connection through its requests (RFC 9112), and finds what no request is made of: where two
 * readers of
 * the same bytes could differ on where one ends, none of them gets through.
 */
final class Framing {
    private static final String DELIMITERS = "\"(),/:;<=>?@[\\]{}";
    private static final int MOST_HEADERS = 200;
    private static final int LONGEST_CHUNK_SIZE = 8;
    private static final int LONGEST_VERSION = 20;

    private enum Part { REQUEST, HEADER, BODY, CHUNK_SIZE, CHUNK, CHUNK_END, TRAILER }

    private final int greatestUrl;
    private final int greatestHeaders;
    private final StringBuilder line = new StringBuilder();
    private Part part = Part.REQUEST;
    private long left;
    private int headers;
    private int headerBytes;
    private boolean old;
    private boolean chunked;
    private boolean hosted;
    private long length;

    Framing(Settings.Http settings) {
        greatestUrl = settings.greatestUrl();
        greatestHeaders = settings.greatestHeaders();
    }

    /** Whether no request has begun that is not over. */
    boolean isBetweenRequests() {
        return part == Part.REQUEST && line.length() == 0;
    }

    /**
     * Follows some bytes, up to the first that is wrong.
     *
     * @return the status that it is to be answered with; 0 if none is wrong
     */
    int follow(ByteBuffer bytes) {
        while (bytes.hasRemaining()) {
            if (part == Part.BODY || part == Part.CHUNK) {
                int taken = (int) Math.min(left, bytes.remaining());
                bytes.position(bytes.position() + taken);
                left -= taken;
                if (left == 0) {
                    part = part == Part.CHUNK ? Part.CHUNK_END : Part.REQUEST;
                }
                continue;
            }
            byte next = bytes.get(bytes.position());
            int status = next == '\n' ? ended() : held(next);
            if (status != 0) {
                line.setLength(0);
                line.trimToSize();
                return status;
            }
            bytes.position(bytes.position() + 1);
        }
        return 0;
    }

    /** Takes a byte of a line, which is followed by a line feed if it is a carriage return, and by that only. */
    private int held(byte next) {
        boolean afterReturn = line.length() > 0 && line.charAt(line.length() - 1) == '\r';
        if (afterReturn || next == 0) {
            return StatusCodes.BAD_REQUEST;
        }
        line.append((char) (next & 0xFF));
        return switch (part) {
            case REQUEST -> line.length() > 2 * greatestUrl + LONGEST_VERSION ? StatusCodes.REQUEST_URI_TOO_LARGE : 0;
            case HEADER, TRAILER -> ++headerBytes > 2 * greatestHeaders ? StatusCodes.REQUEST_HEADER_FIELDS_TOO_LARGE
                    : 0;
            default -> line.length() > greatestHeaders ? StatusCodes.BAD_REQUEST : 0;
        };
    }

    private int ended() {
        int end = line.length() - 1;
        if (end < 0 || line.charAt(end) != '\r') {
            return StatusCodes.BAD_REQUEST;
        }
        String content = line.substring(0, end);
        line.setLength(0);
        return switch (part) {
            case REQUEST -> request(content);
            case HEADER -> content.isEmpty() ? headed() : header(content);
            case CHUNK_SIZE -> chunk(content);
            case CHUNK_END -> {
                part = Part.CHUNK_SIZE;
                yield content.isEmpty() ? 0 : StatusCodes.BAD_REQUEST;
            }
            default -> trailer(content);
        };
    }

    private int request(String text) {
        String[] parts = text.split(" ", -1);
        if (parts.length != 3 || !isToken(parts[0]) || !isUrl(parts[1])) {
            return StatusCodes.BAD_REQUEST;
        }
        if (!parts[2].equals("HTTP/1.1") && !parts[2].equals("HTTP/1.0")) {
            return parts[2].matches("HTTP/[0-9]\\.[0-9]") ? StatusCodes.HTTP_VERSION_NOT_SUPPORTED
                    : StatusCodes.BAD_REQUEST;
        }
        part = Part.HEADER;
        old = parts[2].endsWith("0");
        chunked = false;
        hosted = false;
        length = -1;
        headers = 0;
        headerBytes = 0;
        return parts[1].length() > greatestUrl ? StatusCodes.REQUEST_URI_TOO_LARGE : 0;
    }

    /** Whether a text has visible characters only, and two hexadecimal digits after each percent sign. */
    private static boolean isUrl(String text) {
        for (int i = text.indexOf('%'); i >= 0; i = text.indexOf('%', i + 1)) {
            if (i
                    + 2 >= text.length() || Character.digit(text.charAt(i + 1), 16) < 0 || Character.digit(
                            text.charAt(i + 2), 16) < 0) {
                return false;
            }
        }
        return !text.isEmpty() && isVisible(text, '!', '~');
    }

    private int header(String text) {
        int colon = text.indexOf(':');
        if (colon < 0 || !isToken(text.substring(0, colon)) || !isVisible(text, ' ', '\u00FF')) {
            return StatusCodes.BAD_REQUEST;
        }
        if (++headers > MOST_HEADERS) {
            return StatusCodes.REQUEST_HEADER_FIELDS_TOO_LARGE;
        }
        String value = text.substring(colon + 1).strip();
        return part == Part.TRAILER ? 0 : switch (text.substring(0, colon).toLowerCase(Locale.ROOT)) {
            case "content-length" -> sized(value);
            case "transfer-encoding" -> encoded(value);
            case "host" -> hosted(value);
            default -> 0;
        };
    }

    private int sized(String value) {
        if (length >= 0 || !value.matches("[0-9]{1,18}")) {
            return StatusCodes.BAD_REQUEST;
        }
        length = Long.parseLong(value);
        return 0;
    }

    private int encoded(String value) {
        boolean known = value.equalsIgnoreCase("chunked") && !chunked && !old;
        chunked = true;
        return known ? 0 : StatusCodes.BAD_REQUEST;
    }

    private int hosted(String value) {
        boolean known = !hosted && value.matches("(?:[A-Za-z0-9._~%-]+|\\[[0-9A-Fa-f:.]+])?(?::[0-9]{0,5})?");
        hosted = true;
        return known ? 0 : StatusCodes.BAD_REQUEST;
    }

    /** What follows the headers: a body, or the next request. */
    private int headed() {
        if (chunked && length >= 0 || !hosted && !old) {
            return StatusCodes.BAD_REQUEST;
        }
        left = length;
        part = chunked ? Part.CHUNK_SIZE : length > 0 ? Part.BODY : Part.REQUEST;
        return 0;
    }

    private int chunk(String text) {
        int end = text.indexOf(';') < 0 ? text.length() : text.indexOf(';');
        String size = text.substring(0, end).stripTrailing();
        if (!size.matches("[0-9A-Fa-f]{1," + LONGEST_CHUNK_SIZE + "}") || !isVisible(text, ' ', '~')) {
            return StatusCodes.BAD_REQUEST;
        }
        left = Long.parseLong(size, 16);
        part = left == 0 ? Part.TRAILER : Part.CHUNK;
        return 0;
    }

    private int trailer(String text) {
        if (text.isEmpty()) {
            part = Part.REQUEST;
            return 0;
        }
        return header(text);
    }

    private static boolean isToken(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (DELIMITERS.indexOf(text.charAt(i)) >= 0) {
                return false;
            }
        }
        return !text.isEmpty() && isVisible(text, '!', '~');
    }

    /**
     * Whether all characters lie between two, or are tabulators where blanks are allowed; none of them steers a
     * terminal.
     */
    private static boolean isVisible(String text, char first, char last) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if ((c < first || c > last || c == '\u007F') && (c != '\t' || first != ' ')) {
                return false;
            }
        }
        return true;
    }
}
