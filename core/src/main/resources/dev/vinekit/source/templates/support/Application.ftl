import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.concurrent.Semaphore;
import javax.sql.DataSource;

/** The parts of the service, put together: those that all tables share, and what the registration of each adds. */
public final class Application {
    private final List<Object> controllers = new ArrayList<>();
    private final Settings settings;
    private final Health health;
<#if s.replicas>
    private final Replicas replicas;
</#if>
<#if s.secured>
    private final AccessTokens tokens;
</#if>

    /**
     * The service on a database.
     *
     * @param readiness gives connections to see whether the database answers, however busy the others are
     * @param settings for HTTP<#if s.secured> and for tokens</#if>
     */
    public Application(DataSource dataSource, DataSource readiness, Settings settings) {
<#if s.replicas>
        this(dataSource, readiness, settings, Replicas.NONE);
    }

    /**
     * The service on a database, and others that follow it.
     *
     * @param replicas for reading
     */
    Application(DataSource dataSource, DataSource readiness, Settings settings, Replicas replicas) {
        this.replicas = replicas;
</#if>
        this.settings = settings;
<#if s.secured>
        this.tokens = new AccessTokens(settings.access());
</#if>
        List<Registration> tables = registrations();
        SqlErrors errors = new SqlErrors(tables.stream().map(Registration::constraints).toList());
        Services services = new Services(new Transactions(dataSource, errors, new Semaphore(settings.database().maxScans())<#if s.replicas>, replicas</#if>));
        tables.forEach(table -> table.addServices(services));

        List<String> paths = tables.stream().map(Registration::collection).flatMap(Optional::stream).sorted().toList();
        controllers.add(new EntryPoint(paths));
        health = new Health(readiness);
        controllers.add(health);
        controllers.add(new OpenApi(settings.http().basePath()));
        tables.forEach(table -> controllers.add(table.controller(services)));
    }

    private static List<Registration> registrations() {
        return ServiceLoader.load(Registration.class, Application.class.getClassLoader()).stream()
                .map(ServiceLoader.Provider::get)
                .sorted(Comparator.comparing(registration -> registration.getClass().getName()))
                .toList();
    }

    /** Tells those who ask for the health of the service that it does not want requests any more. */
    public void leave() {
        health.leave();
    }

    /** The controllers: one for each table, and those for the entry point and the health check. */
    public List<Object> controllers() {
        return List.copyOf(controllers);
    }

<#if s.secured>
    /** Who verifies tokens. */
    AccessTokens tokens() {
        return tokens;
    }

</#if>
    /** What reads requests, writes answers and reports errors, for any Jakarta REST server. */
    public List<Object> providers() {
        List<Object> providers = new ArrayList<>(List.of(new JsonProvider(settings.http().maxBodyBytes()), new ProblemMapper(), new KeyParameters()));
<#if !s.server>
        providers.add(new RequestIdFilter());
</#if>
<#if s.metrics>
        providers.add(new RouteFilter(settings.http().basePath()));
</#if>
<#if s.secured>
        providers.add(new AccessFilter(tokens, settings.access().everywhere()));
        providers.add(new AllowFilter(tokens));
</#if>
<#if s.cached>
        providers.add(new CacheFilter());
</#if>
<#if s.replicas>
        if (replicas != Replicas.NONE) {
            providers.add(new PositionFilter());
        }
</#if>
        return providers;
    }
}
