package dev.vinekit.junit;

import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.project.SourceFolders;
import java.nio.file.Path;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What the databases of a test are made of.
 *
 * @param engine the engine's name; empty if the URL tells
 * @param script what makes the tables
 * @param url the database whose tables are taken, if there is no script
 * @param seed what inserts rows of a person's own
 */
record Recipe(String engine, Optional<Path> script, String url, String user, String password, Optional<Path> seed,
        int rows, long number) {
    private static final Pattern VARIABLE = Pattern.compile("\\$\\{([A-Za-z_][A-Za-z0-9_.]*)}");

    /**
     * What an annotation says.
     *
     * @throws Fault if it says too much or too little
     */
    static Recipe of(Seeded seeded) {
        long sources = Stream.of(seeded.script(), seeded.project(), seeded.url())
                .filter(source -> !source.isEmpty()).count();
        if (sources > 1) {
            throw Fault.inCall("@Seeded names more than one place where the tables come from.",
                    "Leave one of script, project and url.");
        }
        if (seeded.rows() < 0) {
            throw Fault.inCall("@Seeded asks for " + seeded.rows() + " rows.", "Give a number from 0.");
        }
        Optional<Path> seed = seeded.seed().isEmpty() ? Optional.empty() : Optional.of(Path.of(seeded.seed()));
        if (!seeded.project().isEmpty()) {
            Project project = Project.existing(Path.of(seeded.project()));
            Path scripts = SourceFolders.of(project.directory()).scripts(project.directory());
            return new Recipe(project.service().engine(), Optional.of(scripts.resolve("schema.sql")), "", "", "",
                    seed.or(() -> Optional.of(scripts.resolve("seed.sql"))), seeded.rows(), seeded.number());
        }
        if (!seeded.script().isEmpty() && seeded.engine().isEmpty()) {
            throw Fault.inCall("@Seeded does not say which engine " + seeded.script() + " is written for.",
                    "Give it an engine: " + Engines.all().stream().map(Engine::name).collect(Collectors.joining(", ")) + ".");
        }
        return new Recipe(seeded.engine(),
                seeded.script().isEmpty() ? Optional.empty() : Optional.of(Path.of(seeded.script())),
                filled(seeded.url()), filled(seeded.user()), filled(seeded.password()), seed, seeded.rows(),
                seeded.number());
    }

    private static String filled(String text) {
        Matcher variable = VARIABLE.matcher(text);
        StringBuilder filled = new StringBuilder();
        while (variable.find()) {
            String name = variable.group(1);
            String value = Optional.ofNullable(System.getProperty(name))
                    .or(() -> Optional.ofNullable(System.getenv(name)))
                    .orElseThrow(() -> Fault.inCall("@Seeded needs " + name + ", which is neither a system property nor a"
                            + " variable of the environment.", "Set it where the tests are run."));
            variable.appendReplacement(filled, Matcher.quoteReplacement(value));
        }
        return variable.appendTail(filled).toString();
    }

    @Override
    public String toString() {
        return script.map(Path::toString).orElse("the tables of a database");
    }
}
