package dev.vinekit.project;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicReference;
import org.tukaani.xz.LZMA2Options;
import org.tukaani.xz.XZInputStream;
import org.tukaani.xz.XZOutputStream;

/**
 * What is kept of a run: JSON, compressed with XZ, for most of it is the text of each generated file.
 *
 * @param format the version of the form
 * @param service what the service is
 * @param decisions those it goes by; null if they were not recorded
 * @param files one for each generated file, by its path
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record RunRecord(
        int format, ServiceDescription service, Map<String, Object> decisions, Map<String, RunRecord.Entry> files) {
    private static final int FORMAT = 1;

    /** Takes less than half the time of preset 3, for records that are 7 % larger. */
    private static final int PRESET = 1;

    private static final ObjectMapper JSON = new ObjectMapper();

    /** The record that was read or written last: one run asks for it at many steps, and most of the time goes to XZ. */
    private static final AtomicReference<Content> LATEST = new AtomicReference<>(new Content(new byte[0], null));

    private record Content(byte[] bytes, RunRecord record) {
    }

    /**
     * A generated file.
     *
     * @param role its identity, whatever its name
     * @param at where a person moved it to; null if it is where it was written
     * @param text as it was generated
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Entry(String role, String at, String text) {
    }

    RunRecord {
        files = Collections.unmodifiableMap(new TreeMap<>(files));
    }

    RunRecord(ServiceDescription service, Map<String, Object> decisions, Map<String, Entry> files) {
        this(FORMAT, service, decisions, files);
    }

    /** The same, with the files of another that this one does not have. */
    RunRecord with(RunRecord other) {
        Map<String, Entry> both = new TreeMap<>(other.files);
        both.putAll(files);
        return new RunRecord(service, decisions, both);
    }

    /** The content of its file; the same for equal records. */
    byte[] bytes() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (XZOutputStream compressed = new XZOutputStream(bytes, new LZMA2Options(PRESET))) {
            JSON.writeValue(compressed, this);
        } catch (IOException e) {
            throw new UncheckedIOException("a record of text is JSON", e);
        }
        LATEST.set(new Content(bytes.toByteArray(), this));
        return bytes.toByteArray();
    }

    /**
     * Reads what {@link #bytes} wrote.
     *
     * @throws IOException if it is something else
     */
    static RunRecord read(byte[] bytes) throws IOException {
        Content latest = LATEST.get();
        if (latest.record != null && Arrays.equals(bytes, latest.bytes)) {
            return latest.record;
        }
        try (XZInputStream plain = new XZInputStream(new ByteArrayInputStream(bytes))) {
            RunRecord record = JSON.readValue(plain, RunRecord.class);
            if (record == null || record.service == null || record.files.values().stream()
                    .anyMatch(entry -> entry == null || entry.role == null || entry.text == null)) {
                throw new IOException("it lacks the service or a text");
            }
            if (record.format != FORMAT) {
                throw new IOException("it is of form " + record.format + ", not " + FORMAT);
            }
            LATEST.set(new Content(bytes, record));
            return record;
        }
    }
}
