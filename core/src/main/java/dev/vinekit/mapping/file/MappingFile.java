package dev.vinekit.mapping.file;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.PropertyNamingStrategies;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Decisions;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Mistake;
import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.Yaml;
import org.yaml.snakeyaml.error.Mark;
import org.yaml.snakeyaml.error.MarkedYAMLException;
import org.yaml.snakeyaml.error.YAMLException;
import org.yaml.snakeyaml.nodes.Node;

/** A mapping file as it was read: the decisions in it, where each stands, and what of it does not fit. */
public final class MappingFile {
    /** The file's usual name. */
    public static final String NAME = "vinekit.yaml";

    private static final ObjectMapper JSON = JsonMapper.builder()
            .addModule(new Jdk8Module())
            .propertyNamingStrategy(PropertyNamingStrategies.KEBAB_CASE)
            .enable(MapperFeature.ACCEPT_CASE_INSENSITIVE_ENUMS)
            .defaultPropertyInclusion(JsonInclude.Value.construct(JsonInclude.Include.NON_ABSENT, JsonInclude.Include.ALWAYS))
            .build();

    /** A variable for which there was no value. */
    private static final Pattern MISSING = Pattern.compile("\\$\\{(\\w+)}");

    /** No file, and nothing decided. */
    public static final MappingFile NONE = new MappingFile("", Decisions.NONE, new Places(), List.of());

    private final String name;
    private final Decisions decisions;
    private final Places places;
    private final List<Mistake> mistakes;

    private MappingFile(String name, Decisions decisions, Places places, List<Mistake> mistakes) {
        this.name = name;
        this.decisions = decisions;
        this.places = places;
        this.mistakes = mistakes;
    }

    /**
     * Reads a file.
     *
     * @param environment the variables that texts may name
     * @param needsSource whether the database that the file names is wanted
     * @throws Fault if it cannot be read, or is not YAML; other mistakes are told by {@link #verify}
     */
    public static MappingFile read(Path file, Map<String, String> environment, boolean needsSource) {
        try {
            return parse(file.toString(), Files.readString(file), environment, needsSource);
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + file + " failed: " + e.getClass().getSimpleName() + ".",
                    "Check that the file is there, may be read and is UTF-8 text.", e);
        }
    }

    /**
     * Reads a text.
     *
     * @param name of the file, for messages
     */
    public static MappingFile parse(String name, String text, Map<String, String> environment, boolean needsSource) {
        Places places = new Places();
        List<Mistake> mistakes = new ArrayList<>();
        Optional<Node> root = compose(name, text);
        Shape shape = new Shape(new Variables(environment, needsSource), places, mistakes);
        try {
            Decisions decisions = root.isEmpty() ? Decisions.NONE
                    : JSON.treeToValue(shape.document(root.get()), Decisions.class);
            return new MappingFile(name, decisions, places, mistakes);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("the schema of the mapping file lets through what decisions do not take",
                    e);
        }
    }

    /** Decisions as values of JSON, for comparison with later ones. Where the database is, and who asks it, is not among them. */
    public static Map<String, Object> record(Decisions decisions) {
        return JSON.convertValue(decisions.withoutSource(), new TypeReference<>() { });
    }

    /**
     * Decisions that were recorded.
     *
     * @throws IllegalArgumentException if it is of something else
     */
    public static Decisions recorded(Map<String, Object> record) {
        return JSON.convertValue(record, Decisions.class);
    }

    /** This file, with a package for one that names none. */
    public MappingFile inPackage(String basePackage) {
        return decisions.project().basePackage().isPresent() ? this : withPackage(basePackage);
    }

    /**
     * This file with another package.
     *
     * @throws Fault if Java does not allow the name
     */
    public MappingFile withPackage(String basePackage) {
        if (!JavaName.isValid(basePackage)) {
            throw Fault.inCall("\"" + basePackage + "\" is not a Java package name.",
                    "Use letters, digits and dots, and no Java keyword, for example com.example.cellar.");
        }
        return new MappingFile(name, decisions.inPackage(basePackage), places, mistakes);
    }

    /**
     * The database that has a name in the section {@code connections}.
     *
     * @throws Fault if there is none, if it has no URL, or if it names a variable of the environment that is not set
     */
    public Decisions.Source connection(String wanted) {
        Decisions.Source said = decisions.connections().get(wanted);
        if (said == null) {
            throw Fault.inCall((name.isEmpty() ? "There is no mapping file, and no" : name + " has no") + " connection \""
                    + wanted + "\".", decisions.connections().isEmpty() ? "Add to " + (name.isEmpty() ? NAME : name)
                    + ": connections: {" + wanted + ": {url: \"jdbc:...\", user: NAME, password: \"${VARIABLE}\"}}"
                    : "Name one of: " + String.join(", ", decisions.connections().keySet()) + ".");
        }
        if (said.url().isEmpty()) {
            throw Fault.inCall("The connection " + wanted + " in " + name + " has no url.", "Add it there.");
        }
        for (String text : Stream.of(said.url(), said.user(), said.password()).flatMap(Optional::stream).toList()) {
            Matcher missing = MISSING.matcher(text);
            if (missing.find()) {
                throw Fault.inCall("The environment variable " + missing.group(1) + ", which the connection " + wanted + " in "
                        + name + " names, is not set.", "Set it, or give it a default: ${" + missing.group(1) + ":-default}.");
            }
        }
        return said;
    }

    /** The decisions that fit. */
    public Decisions decisions() {
        return decisions;
    }

    /**
     * Makes sure that nothing is wrong.
     *
     * @param more mistakes that show only when the decisions are held against a schema
     * @throws Fault naming every mistake with its place
     */
    public void verify(List<Mistake> more) {
        List<Mistake> all = new ArrayList<>(mistakes);
        all.addAll(more);
        refuse(all);
    }

    /**
     * Makes sure that nothing is wrong with the section {@code source}, before it is used.
     *
     * @throws Fault naming its mistakes, each with its place
     */
    public void verifySource() {
        refuse(mistakes.stream().filter(mistake -> mistake.path().isEmpty()
                || mistake.path().get(0).equals("source")).toList());
    }

    private void refuse(List<Mistake> all) {
        if (all.isEmpty()) {
            return;
        }
        String list = new LinkedHashSet<>(all).stream()
                .sorted(Comparator.comparing((Mistake mistake) -> places.of(mistake.path()))
                        .thenComparing(Mistake::text))
                .map(mistake -> "  " + name + ", " + places.of(mistake.path()) + ": " + mistake.text())
                .collect(Collectors.joining("\n"));
        throw Fault.inCall((all.size() == 1 ? "The mapping file has a mistake:\n"
                : "The mapping file has " + all.size() + " mistakes:\n") + list, "Correct the file and run again.");
    }

    /** The JSON Schema of the file, for editors. */
    public static String schema() {
        return Shape.schema();
    }

    /** The tree of a text; empty for an empty one. */
    static Optional<Node> compose(String name, String text) {
        LoaderOptions options = new LoaderOptions();
        options.setMaxAliasesForCollections(20);
        try {
            return Optional.ofNullable(new Yaml(options).compose(new StringReader(text)));
        } catch (MarkedYAMLException e) {
            Mark mark = e.getProblemMark() == null ? e.getContextMark() : e.getProblemMark();
            String place = mark == null ? "" : ", line " + (mark.getLine() + 1) + ", column " + (mark.getColumn() + 1);
            throw Fault.inCall(name + place + ": this is not YAML: " + e.getProblem() + ".",
                    "Indent with spaces, and put quotes around texts that begin with a special character.");
        } catch (YAMLException e) {
            throw Fault.inCall(name + ": this is not YAML: " + e.getMessage().strip() + ".",
                    "Save the file as UTF-8 text.");
        }
    }
}
