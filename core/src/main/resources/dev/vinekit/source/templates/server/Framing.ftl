import io.undertow.util.StatusCodes;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.regex.Pattern;

/**
 * Follows the bytes of a connection through its requests (RFC 9112), and finds what no request is made of: where two
 * readers of the same bytes could differ on where one ends, none of them gets through.
 */
final class Framing {
    /** Visible characters without delimiters (RFC 9110, section 5.6.2). */
    private static final boolean[] OF_TOKENS = new boolean[256];

    private static final Pattern VERSION = Pattern.compile("HTTP/[0-9]\\.[0-9]");
    private static final Pattern LENGTH = Pattern.compile("[0-9]{1,18}");
    private static final Pattern CHUNK_SIZE = Pattern.compile("[0-9A-Fa-f]{1,8}");
    private static final Pattern HOST
            = Pattern.compile("(?:[A-Za-z0-9._~%-]++|\\[[0-9A-Fa-f:.]++])?+(?::[0-9]{0,5}+)?+");

    private static final int MOST_HEADERS = 200;

    /** What stands around the URL: the method and the version. */
    private static final int LONGEST_REST = 40;

    static {
        for (char c = '!'; c <= '~'; c++) {
            OF_TOKENS[c] = "\"(),/:;<=>?@[\\]{}".indexOf(c) < 0;
        }
    }

    private enum Part { REQUEST, HEADER, BODY, CHUNK_SIZE, CHUNK, CHUNK_END, TRAILER }

    private final int maxUrlBytes;
    private final int maxHeaderBytes;
    private byte[] line = new byte[0];
    private int size;
    private Part part = Part.REQUEST;
    private long left;
    private int headers;
    private int headerBytes;
    private boolean old;
    private boolean chunked;
    private boolean hosted;
    private String lastHost = "";
    private long length;

    Framing(Settings.Http settings) {
        maxUrlBytes = settings.maxUrlBytes();
        maxHeaderBytes = settings.maxHeaderBytes();
    }

    /** Whether no request has begun that is not over. */
    boolean isBetweenRequests() {
        return part == Part.REQUEST && size == 0;
    }

    /**
     * Follows some bytes, up to the first that is wrong.
     *
     * @return the status that it is to be answered with; 0 if none is wrong
     */
    int follow(ByteBuffer bytes) {
        int status = 0;
        while (status == 0 && bytes.hasRemaining()) {
            if (part == Part.BODY || part == Part.CHUNK) {
                skip(bytes);
            } else {
                status = line(bytes);
            }
        }
        if (status != 0) {
            line = new byte[0];
        }
        return status;
    }

    private void skip(ByteBuffer bytes) {
        int taken = (int) Math.min(left, bytes.remaining());
        bytes.position(bytes.position() + taken);
        left -= taken;
        if (left == 0) {
            part = part == Part.CHUNK ? Part.CHUNK_END : Part.REQUEST;
        }
    }

    /** Takes bytes up to the end of a line, at which there is a carriage return, and nowhere else. */
    private int line(ByteBuffer bytes) {
        int end = bytes.position();
        byte last = size == 0 ? 0 : line[size - 1];
        byte next = 0;
        while (end < bytes.limit() && (next = bytes.get(end)) != '\n') {
            if (last == '\r' || next == 0) {
                return StatusCodes.BAD_REQUEST;
            }
            last = next;
            end++;
        }
        int status = held(bytes, end - bytes.position());
        if (status != 0 || next != '\n') {
            return status;
        }
        bytes.get();
        return last == '\r' ? ended() : StatusCodes.BAD_REQUEST;
    }

    private int held(ByteBuffer bytes, int count) {
        int length = size + count;
        headerBytes += part == Part.HEADER || part == Part.TRAILER ? count : 0;
        if (part == Part.REQUEST && length > maxUrlBytes + LONGEST_REST) {
            return StatusCodes.REQUEST_URI_TOO_LARGE;
        } else if (headerBytes > maxHeaderBytes) {
            return StatusCodes.REQUEST_HEADER_FIELDS_TOO_LARGE;
        } else if (length > maxUrlBytes + maxHeaderBytes) {
            return StatusCodes.BAD_REQUEST;
        }
        if (length > line.length) {
            line = Arrays.copyOf(line, Math.max(length, 2 * line.length));
        }
        bytes.get(line, size, count);
        size = length;
        return 0;
    }

    private int ended() {
        String content = new String(line, 0, size - 1, StandardCharsets.ISO_8859_1);
        size = 0;
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
            return VERSION.matcher(parts[2]).matches() ? StatusCodes.HTTP_VERSION_NOT_SUPPORTED : StatusCodes.BAD_REQUEST;
        }
        part = Part.HEADER;
        old = parts[2].endsWith("0");
        chunked = false;
        hosted = false;
        length = -1;
        headers = 0;
        headerBytes = 0;
        return parts[1].length() > maxUrlBytes ? StatusCodes.REQUEST_URI_TOO_LARGE : 0;
    }

    /** Whether a text has visible characters only, and two hexadecimal digits after each percent sign. */
    private static boolean isUrl(String text) {
        for (int i = text.indexOf('%'); i >= 0; i = text.indexOf('%', i + 1)) {
            if (i + 2 >= text.length() || !HexFormat.isHexDigit(text.charAt(i + 1)) || !HexFormat.isHexDigit(text.charAt(i + 2))) {
                return false;
            }
        }
        return !text.isEmpty() && isVisible(text, '!', '~');
    }

    private int header(String text) {
        int colon = text.indexOf(':');
        String name = text.substring(0, Math.max(colon, 0));
        if (!isToken(name) || !isVisible(text, ' ', '\u00FF')) {
            return StatusCodes.BAD_REQUEST;
        }
        if (++headers > MOST_HEADERS) {
            return StatusCodes.REQUEST_HEADER_FIELDS_TOO_LARGE;
        }
        if (part == Part.TRAILER) {
            return 0;
        } else if (name.equalsIgnoreCase("Content-Length")) {
            return sized(text.substring(colon + 1).strip());
        } else if (name.equalsIgnoreCase("Transfer-Encoding")) {
            return encoded(text.substring(colon + 1).strip());
        }
        return name.equalsIgnoreCase("Host") ? hosted(text.substring(colon + 1).strip()) : 0;
    }

    private int sized(String value) {
        if (length >= 0 || !LENGTH.matcher(value).matches()) {
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
        boolean valid = !hosted && (value.equals(lastHost) || HOST.matcher(value).matches());
        hosted = true;
        lastHost = valid ? value : lastHost;
        return valid ? 0 : StatusCodes.BAD_REQUEST;
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
        if (!CHUNK_SIZE.matcher(size).matches() || !isVisible(text, ' ', '~')) {
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
            if (!OF_TOKENS[text.charAt(i)]) {
                return false;
            }
        }
        return !text.isEmpty();
    }

    /** Whether all characters lie between two, or are tabulators where blanks are allowed; none of them steers a terminal. */
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
