package dev.vinekit.maven;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Decisions;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.PackageChoice;
import dev.vinekit.project.Project;
import dev.vinekit.project.ProjectPaths;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.inject.Inject;
import org.apache.maven.plugin.AbstractMojo;
import org.apache.maven.plugin.MojoExecutionException;
import org.apache.maven.plugin.MojoFailureException;
import org.apache.maven.plugins.annotations.Parameter;
import org.apache.maven.project.MavenProject;
import org.apache.maven.settings.Server;
import org.apache.maven.settings.Settings;
import org.apache.maven.settings.crypto.DefaultSettingsDecryptionRequest;
import org.apache.maven.settings.crypto.SettingsDecrypter;

/** What the goals share: which module, which database, and how a fault is told. */
abstract class StepMojo extends AbstractMojo {
    /** Does nothing. */
    @Parameter(property = "vinekit.skip", defaultValue = "false")
    private boolean skip;

    /** The module that has the generated code. */
    @Parameter(property = "vinekit.directory", defaultValue = "${project.basedir}")
    private File directory;

    /** The mapping file; {@code vinekit.yaml} in the module by default. */
    @Parameter(property = "vinekit.config")
    private File config;

    /** The JDBC URL of the database; what the mapping file names by default. */
    @Parameter(property = "vinekit.url")
    private String url;

    /** The database that the mapping file has under this name, in its section {@code connections}. */
    @Parameter(property = "vinekit.connection")
    private String connection;

    /** The login. */
    @Parameter(property = "vinekit.user")
    private String user;

    /** The environment variable that holds the password. */
    @Parameter(property = "vinekit.passwordVariable")
    private String passwordVariable;

    /** The server of settings.xml that has the login and the password. */
    @Parameter(property = "vinekit.server")
    private String server;

    /** An SQL script, or a folder of them in their order, to read in the place of a database. */
    @Parameter(property = "vinekit.script")
    private File script;

    /** What the script is written for: h2, postgresql, mariadb, mysql, sqlite. */
    @Parameter(property = "vinekit.engine")
    private String engine;

    /** The schemas to read; the login's default schema otherwise. */
    @Parameter(property = "vinekit.schemas")
    private List<String> schemas;

    /** The tables to read, with {@code *} for any letters; what they need comes along. */
    @Parameter(property = "vinekit.tables")
    private List<String> tables;

    /** The Java package of the service: as before by default, or one that fits the module. */
    @Parameter(property = "vinekit.package")
    private String basePackage;

    @Parameter(defaultValue = "${project}", readonly = true, required = true)
    private MavenProject project;

    @Parameter(defaultValue = "${settings}", readonly = true, required = true)
    private Settings settings;

    @Inject
    private SettingsDecrypter decrypter;

    @Override
    public final void execute() throws MojoExecutionException, MojoFailureException {
        if (skip) {
            getLog().info("Skipped, as vinekit.skip says.");
            return;
        }
        if (!isMeant()) {
            getLog().info("Nothing to do here: there is no " + MappingFile.NAME + " and no generated code.");
            return;
        }
        try {
            run();
        } catch (Fault fault) {
            String text = fault.getMessage() + "\n" + Remedies.text(fault.remedy());
            if (fault.kind() == Fault.Kind.CALL) {
                throw new MojoFailureException(text, fault);
            }
            throw new MojoExecutionException(text, fault);
        }
    }

    /** Carries out the step. */
    abstract void run() throws MojoFailureException;

    /** Modules that people write by hand are beside those that are generated, and stay as they are. */
    private boolean isMeant() {
        return isGenerated() || Files.exists(configuration())
                || project.isExecutionRoot() && !project.getPackaging().equals("pom") && isNamed();
    }

    /** Whether there is code of an earlier run. */
    final boolean isGenerated() {
        return Project.serviceBefore(directory()).isPresent();
    }

    /** Whether the call itself names a database, or a script. */
    private boolean isNamed() {
        return url != null || script != null || connection != null;
    }

    final Path directory() {
        return directory.toPath();
    }

    final Path configuration() {
        return config == null ? ProjectPaths.of(directory()).resolve(MappingFile.NAME) : config.toPath();
    }

    /** The mapping file, with a package. */
    final MappingFile mapping() {
        Path file = configuration();
        if (config != null && !Files.exists(file)) {
            throw Fault.inCall("There is no mapping file " + file + ".", "Name another with vinekit.config.");
        }
        MappingFile read = Files.exists(file) ? MappingFile.read(file, System.getenv(), !isNamed()) : MappingFile.NONE;
        return basePackage != null ? read.withPackage(basePackage)
                : read.decisions().project().basePackage().isPresent() ? read
                : read.inPackage(PackageChoice.of(directory()).name());
    }

    final Scope scope(MappingFile file) {
        Decisions said = file.decisions();
        return new Scope(
                schemas == null || schemas.isEmpty() ? said.source().schemas() : schemas,
                tables == null || tables.isEmpty() ? said.tables().include() : tables,
                said.tables().exclude());
    }

    /** What is read, and the database that it was read from if that is not a scratch database of ours. */
    record Reading(Schema schema, Optional<Database> lasting) {
    }

    /** Reads the schema of the database, or of that which the scripts make. */
    final Reading read(MappingFile file) {
        Decisions.Source said = connection == null ? file.decisions().source() : file.connection(connection);
        if (!isNamed()) {
            file.verifySource();
        }
        Optional<Path> scripts = isNamed() ? Optional.ofNullable(script).map(File::toPath)
                : said.script().map(ProjectPaths.of(configuration().toAbsolutePath().getParent())::resolve);
        if (scripts.isPresent()) {
            if (url != null || connection != null) {
                throw Fault.inCall("vinekit.script is given, and vinekit.url or vinekit.connection too.",
                        "Name a database or a script, not both.");
            }
            String writtenFor = Optional.ofNullable(engine).or(said::engine).orElseThrow(() -> Fault.inCall(
                    "A script needs the engine that it is written for.",
                    "Name it with vinekit.engine: h2, postgresql, mariadb, mysql or sqlite."));
            try (ScriptDatabase loaded = VineKit.load(writtenFor, scripts.get())) {
                return new Reading(schema(loaded.database(), file), Optional.empty());
            }
        }
        String address = url != null ? url : said.url().orElseThrow(() -> Fault.inCall("No database is named.",
                "Name one with vinekit.url, a script with vinekit.script, or either in " + MappingFile.NAME + "."));
        if (url == null) {
            Database.named(configuration().toString(), address, "", "");
        }
        Database database = login(address, said);
        return new Reading(schema(database, file), Optional.of(database));
    }

    /** What a new mapping file says of where the tables are read from; a password is never in it. */
    final Map<String, String> section() {
        Map<String, String> section = new LinkedHashMap<>();
        if (script != null) {
            Path folder = configuration().toAbsolutePath().getParent();
            if (script.toPath().toAbsolutePath().normalize().startsWith(folder.normalize())) {
                section.put("script", folder.relativize(script.toPath().toAbsolutePath()).toString().replace('\\', '/'));
                section.put("engine", text(engine));
            }
        } else if (url != null) {
            section.put("url", Database.at(url, "", "").urlWithout("${DB_PASSWORD}"));
            if (user != null) {
                section.put("user", user);
            }
            if (passwordVariable != null) {
                section.put("password", "${" + passwordVariable + "}");
            }
        }
        return section;
    }

    private Schema schema(Database database, MappingFile file) {
        Schema read = VineKit.asRowsTell(database, VineKit.read(database, scope(file)));
        long views = read.tables().stream().filter(Table::isView).count();
        getLog().info(count(read.tables().size() - views, "table") + (views == 0 ? "" : " and " + count(views, "view"))
                + " of " + database.engine().title());
        return read;
    }

    private Database login(String address, Decisions.Source said) {
        if (server != null) {
            Server known = Optional.ofNullable(settings.getServer(server)).orElseThrow(() -> Fault.inCall(
                    "settings.xml has no server \"" + server + "\".", "Add it, or name another with vinekit.server."));
            Server plain = decrypter.decrypt(new DefaultSettingsDecryptionRequest(known)).getServer();
            return Database.at(address, text(plain.getUsername()), text(plain.getPassword()));
        }
        String password = passwordVariable == null ? said.password().orElse("") : System.getenv(passwordVariable);
        if (password == null) {
            throw Fault.inCall("The environment variable " + passwordVariable + " is not set.",
                    "Set it to the password, or name another one with vinekit.passwordVariable.");
        }
        return Database.at(address, user == null ? said.user().orElse("") : user, password);
    }

    /** So many things whose plural ends with an s. */
    static String count(long number, String thing) {
        return number + " " + thing + (number == 1 ? "" : "s");
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }
}
