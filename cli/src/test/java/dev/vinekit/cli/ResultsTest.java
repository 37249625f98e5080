package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import picocli.CommandLine;
import picocli.CommandLine.Model.OptionSpec;

/** What other programs read, and the reference that tells them what there is. */
class ResultsTest extends OrchardCommands {
    private static final Path DOCS = Path.of("../docs").toAbsolutePath().normalize();
    private static final ObjectMapper JSON = new ObjectMapper();

    /** The options that the reference names in one place for all commands that have them. */
    private static final Set<String> SHARED = Set.of("--help", "--version", "--quiet", "--verbose", "--no-color", "--url",
            "--user", "--password-env", "--script", "--engine", "--schema", "--config", "--connection", "--tables", "--dir", "--format");

    private JsonNode result(String schema, int exit, String... arguments) throws IOException {
        Tool.Result run = tool.run(PASSWORD, arguments);
        assertThat(run.exit()).as(run.err()).isEqualTo(exit);
        JsonNode result = JSON.readTree(run.out());
        JsonSchema form = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.readString(DOCS.resolve("formats/" + schema + ".schema.json")));
        assertThat(form.validate(result)).as(run.out()).isEmpty();
        return result;
    }

    private String[] json(String command, String... more) {
        List<String> all = new ArrayList<>(List.of("--format", "json"));
        all.addAll(List.of(more));
        return source(command, all.toArray(String[]::new));
    }

    @Test
    void resultsAreAsTheirSchemasSay() throws Exception {
        Files.writeString(Files.createDirectories(directory.resolve("service")).resolve("vinekit.yaml"), """
                entities:
                  tree:
                    access: {read: [picker]}
                """);

        JsonNode dry = result("generate", 0, json("generate", "--dir", "service", "--dry-run"));
        JsonNode mapped = result("map", 0, json("map", "--dir", "service"));
        JsonNode generated = result("generate", 0, json("generate", "--dir", "service"));
        JsonNode again = result("generate", 0, json("generate", "--dir", "service"));
        JsonNode same = result("compare", 0, json("compare", "--dir", "service"));
        JsonNode token = result("token", 0, "token", "--dir", "service", "--format", "json");

        assertThat(dry.path("written").booleanValue()).isFalse();
        assertThat(mapped.path("added").toString()).contains("note");
        assertThat(generated.path("written").booleanValue()).isTrue();
        assertThat(generated.path("tables").findValuesAsText("path")).contains("/trees");
        assertThat(generated.path("files").findValuesAsText("change")).contains("new");
        assertThat(again.path("files").findValuesAsText("change")).containsOnly("same");
        assertThat(again.path("written").booleanValue()).isFalse();
        assertThat(same.path("drift").booleanValue()).isFalse();
        assertThat(token.path("roles").toString()).isEqualTo("[\"picker\"]");

        Path mapping = directory.resolve("service/vinekit.yaml");
        Files.writeString(mapping, Files.readString(mapping).replace("[picker]", "[picker, guest]"));
        assertThat(result("compare", 1, json("compare", "--dir", "service")).path("opens").booleanValue()).isTrue();
    }

    @Test
    void shardsHaveEachTableOnce() throws Exception {
        assertThat(tool.run(PASSWORD, source("generate", "--dir", "service")).exit()).isZero();

        Path times = directory.resolve("service/target/vinekit/times.json");
        int[] passed = shards();
        assertThat(times).as("what would divide the parts differently").doesNotExist();
        JsonNode all = result("test", 0, "test", "--dir", "service", "--format", "json");
        String before = Files.readString(times);
        int[] again = shards();

        assertThat(JSON.readTree(before)).hasSizeBetween(2, 4);
        assertThat(Files.readString(times)).isEqualTo(before);
        assertThat(passed[0] + passed[1]).isEqualTo(all.path("passed").intValue());
        assertThat(again[0] + again[1]).isEqualTo(all.path("passed").intValue());
        Tool.Result many = tool.run("test", "--dir", "service", "--shard", "9/9");
        assertThat(many.exit()).isEqualTo(2);
        assertThat(many.err()).contains("Shard 9 of 9 has no tests", "Use at most 4 shards.");
        assertThat(tool.run("test", "--dir", "service", "--shard", "3/2").err()).contains("There is no shard 3 of 2.");
        assertThat(tool.run("test", "--dir", "service", "--shard", "one").err()).contains("2/5 for the second of five");
        assertThat(tool.run("test", "--dir", "service", "--shard", "1/2", "--watch").exit()).isEqualTo(2);
    }

    private int[] shards() throws Exception {
        int[] passed = new int[2];
        for (int i = 0; i < 2; i++) {
            String part = i + 1 + "/2";
            JsonNode result = result("test", 0, "test", "--dir", "service", "--shard", part, "--format", "json");
            assertThat(result.path("shard").textValue()).isEqualTo(part);
            passed[i] = result.path("passed").intValue();
            assertThat(passed[i]).isPositive();
        }
        return passed;
    }

    /** The table of commands is whole and true: what each does, takes and exits with. */
    @Test
    void referenceNamesEveryCommandWithItsOptions() throws Exception {
        Map<String, String[]> rows = new LinkedHashMap<>();
        for (String line : Files.readAllLines(DOCS.resolve("reference.md"))) {
            String[] cells = line.split(" *\\| *", -1);
            if (cells.length == 7 && cells[1].startsWith("`")) {
                rows.put(cells[1].replaceAll("`(\\w+).*", "$1"), cells);
            }
        }
        Map<String, CommandLine> commands = VineKitCommand.commandLine().getSubcommands();

        assertThat(rows).containsOnlyKeys(commands.keySet());
        commands.forEach((name, command) -> {
            String[] cells = rows.get(name);
            Set<String> own = command.getCommandSpec().options().stream().map(OptionSpec::longestName)
                    .filter(option -> !SHARED.contains(option)).collect(Collectors.toCollection(HashSet::new));
            assertThat(own).as(name).allSatisfy(option -> assertThat(cells[3]).contains("`" + option));
            boolean json = command.getCommandSpec().findOption("--format") != null;
            assertThat(cells[4].contains("](")).as(name).isEqualTo(json);
            assertThat(cells[5]).as(name).matches("0(, [123])*");
        });
        for (String[] cells : rows.values()) {
            if (cells[4].contains("formats/")) {
                assertThat(DOCS.resolve(cells[4].replaceAll(".*\\((formats/[^)]*)\\).*", "$1"))).exists();
            }
        }
    }
}
