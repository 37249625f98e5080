package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.engine.Engines;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class ScriptTextTest {
    private static final ScriptSyntax POSTGRESQL = Engines.named("postgresql").scriptSyntax();
    private static final ScriptSyntax MARIADB = Engines.named("mariadb").scriptSyntax();

    @Test
    void stringsThatAreNoTextBecomeHexadecimal() throws Exception {
        byte[] script =
                bytes("INSERT INTO `it's` VALUES ('\u00ff\\0\\n\\'\\\\''', 'text', \"it's\"); -- it's \u00c3\u00bc\n"
                + "/* don't */ INSERT INTO t VALUES ('\u00fe');");

        assertThat(ScriptText.of(script, MARIADB)).isEqualTo(
                "INSERT INTO `it's` VALUES (X'ff000a275c27', 'text', \"it's\"); -- it's \u00fc\n"
                        + "/* don't */ INSERT INTO t VALUES (X'fe');");
    }

    @Test
    void textStaysAsItIs() throws Exception {
        String script = "INSERT INTO t VALUES ('\u00fc\ud83c\udf77 \\' ; ''');";

        assertThat(ScriptText.of(script.getBytes(StandardCharsets.UTF_8), MARIADB)).isEqualTo(script);
    }

    @Test
    void bytesThatAreNoTextAreRefusedWhereNoDumpHasThem() {
        byte[] script = bytes("INSERT INTO t VALUES ('\u00ff');");

        assertThatThrownBy(() -> ScriptText.of(script, POSTGRESQL))
                .isInstanceOf(CharacterCodingException.class);
        assertThatThrownBy(() -> ScriptText.of(bytes("\u00ff SELECT 1"), MARIADB))
                .isInstanceOf(CharacterCodingException.class);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.ISO_8859_1);
    }
}
