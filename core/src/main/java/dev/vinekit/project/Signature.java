package dev.vinekit.project;

import dev.vinekit.engine.UserCache;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * Distinguishes texts of this user's own runs from texts that came with a project. They are signed with a random key in
 * the user's cache (HMAC with SHA-256, RFC 2104), which no project can know.
 */
final class Signature {
    private static final String ALGORITHM = "HmacSHA256";
    private static final int BYTES = 32;

    private Signature() {
    }

    /** The signature of a text, in hexadecimal digits. */
    static String of(byte[] text) throws IOException {
        try {
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(new SecretKeySpec(key(), ALGORITHM));
            return HexFormat.of().formatHex(mac.doFinal(text));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java has " + ALGORITHM, e);
        }
    }

    /** The SHA-256 of a text, in hexadecimal digits. */
    static String hash(byte[] text) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(text));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    private static synchronized byte[] key() throws IOException {
        Path file = UserCache.folder("signing").resolve("key");
        try {
            return Files.readAllBytes(file);
        } catch (NoSuchFileException e) {
            byte[] key = new byte[BYTES];
            new SecureRandom().nextBytes(key);
            Path complete = Files.createTempFile(file.getParent(), "key", "");
            Files.write(complete, key);
            Files.move(complete, file, StandardCopyOption.ATOMIC_MOVE);
            return Files.readAllBytes(file);
        }
    }
}
