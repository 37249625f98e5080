/** The running service: a pool of connections, and the controllers behind an HTTP port. */
public final class Server implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Server.class);

    private final HikariDataSource pool;
    private final Undertow http;
    private final String url;
    private final List<String> endpoints;

    private Server(HikariDataSource pool, Undertow http, String url, List<String> endpoints) {
        this.pool = pool;
        this.http = http;
        this.url = url;
        this.endpoints = endpoints;
    }

    /**
     * Starts the service.
     *
     * @throws IllegalStateException if the database does not answer or the port is taken
     */
    public static Server start(Settings settings) {
        HikariDataSource pool = pool(settings);
        try {
            Application application = new Application(pool);
            Undertow http = Undertow.builder()
                    .addHttpListener(settings.port(), settings.host())
                    .setHandler(handler(settings, application))
                    .build();
            start(http, settings);
            int port = ((InetSocketAddress) http.getListenerInfo().get(0).getAddress()).getPort();
            String url = "http://" + settings.host() + ":" + port + settings.basePath();
            List<String> endpoints = Endpoints.of(settings.basePath(), application.controllers());
            LOG.info("Endpoints:\n    {}", String.join("\n    ", endpoints));
            LOG.info("Ready at {}/ (no access control: everyone who reaches the port may read and write)", url);
            return new Server(pool, http, url, endpoints);
        } catch (RuntimeException e) {
            pool.close();
            throw e;
        }
    }

    private static HikariDataSource pool(Settings settings) {
        HikariConfig config = new HikariConfig();
        config.setPoolName("database");
        config.setJdbcUrl(settings.databaseUrl());
        config.setUsername(settings.databaseUser().isEmpty() ? null : settings.databaseUser());
        config.setPassword(settings.databasePassword().isEmpty() ? null : settings.databasePassword());
        config.setMaximumPoolSize(settings.poolSize());
<#include "pool.ftl">
        try {
            return new HikariDataSource(config);
        } catch (RuntimeException e) {
            throw new IllegalStateException("The database does not answer, or refuses the login. "
                    + "Check DB_URL, DB_USER and DB_PASSWORD.", e);
        }
    }

    private static void start(Undertow http, Settings settings) {
        try {
            http.start();
        } catch (RuntimeException e) {
            if (e.getCause() instanceof BindException) {
                throw new IllegalStateException("Port " + settings.port() + " on " + settings.host()
                        + " is in use. Set HTTP_PORT to another one; 0 picks a free one.", e);
            }
            throw e;
        }
    }

    private static HttpHandler handler(Settings settings, Application application) {
        ResteasyDeployment deployment = new ResteasyDeploymentImpl();
        deployment.setResources(application.controllers());
        deployment.setProviders(application.providers());
        DeploymentInfo info = Servlets.deployment()
                .setDeploymentName("service")
                .setClassLoader(Server.class.getClassLoader())
                .setContextPath(settings.basePath())
                .addServletContextAttribute(ResteasyDeployment.class.getName(), deployment)
                .addServlet(Servlets.servlet(HttpServlet30Dispatcher.class).setAsyncSupported(true).addMapping("/*"));
        DeploymentManager manager = Servlets.defaultContainer().addDeployment(info);
        manager.deploy();
        try {
            return Handlers.path()
                    .addExactPath("/", Handlers.redirect(settings.basePath() + "/"))
                    .addPrefixPath(settings.basePath(), manager.start());
        } catch (ServletException e) {
            throw new IllegalStateException("The controllers could not be started.", e);
        }
    }

    /** Where the entry point is, without a slash at the end. */
    public String url() {
        return url;
    }

    /** One line for each path, with the methods that it takes. */
    public List<String> endpoints() {
        return endpoints;
    }

    /** Stops listening, then closes the connections. */
    @Override
    public void close() {
        http.stop();
        pool.close();
    }
}
