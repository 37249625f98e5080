package com.example.shop;

import com.example.shop.stock.support.Application;
import com.example.shop.stock.support.Settings;
import java.io.File;
import java.util.Map;
import javax.naming.InitialContext;
import javax.naming.NamingException;
import javax.sql.DataSource;
import org.apache.catalina.Context;
import org.apache.catalina.LifecycleException;
import org.apache.catalina.Wrapper;
import org.apache.catalina.startup.Tomcat;
import org.apache.tomcat.util.descriptor.web.ContextResource;
import org.jboss.resteasy.core.ResteasyDeploymentImpl;
import org.jboss.resteasy.plugins.server.servlet.HttpServlet30Dispatcher;
import org.jboss.resteasy.spi.ResteasyDeployment;

/** The bottle shop: a servlet of people's, and generated endpoints, in one Tomcat. */
public final class BottleShop implements AutoCloseable {
    private static final String CONTEXT_PATH = "/shop";
    private static final String DATA_SOURCE = "jdbc/shop";

    private final Tomcat tomcat = new Tomcat();

    private BottleShop() {
    }

    /**
     * Starts it.
     *
     * @param environment the database, and what verifies tokens
     * @param port 0 for any that is free
     */
    public static BottleShop start(Map<String, String> environment, int port) throws LifecycleException {
        BottleShop shop = new BottleShop();
        shop.tomcat.setBaseDir("target/tomcat");
        shop.tomcat.setPort(port);
        shop.tomcat.getConnector().setProperty("encodedSolidusHandling", "passthrough");
        shop.tomcat.enableNaming();
        Context context = shop.tomcat.addContext(CONTEXT_PATH, new File(".").getAbsolutePath());
        context.setParentClassLoader(BottleShop.class.getClassLoader());
        context.getNamingResources().addResource(dataSource(environment));
        Tomcat.addServlet(context, "sign", new Sign());
        context.addServletMappingDecoded("/sign", "sign");
        context.addServletContainerInitializer(
                (classes, servlets) -> servlets.setAttribute(ResteasyDeployment.class.getName(), stock(environment)), null);
        Wrapper stock = Tomcat.addServlet(context, "stock", new HttpServlet30Dispatcher());
        stock.addInitParameter("resteasy.servlet.mapping.prefix", "/stock");
        stock.setAsyncSupported(true);
        context.addServletMappingDecoded("/stock/*", "stock");
        shop.tomcat.start();
        return shop;
    }

    /** The generated layers, on the data source of the container. */
    private static ResteasyDeployment stock(Map<String, String> environment) {
        DataSource database;
        try {
            database = (DataSource) new InitialContext().lookup("java:comp/env/" + DATA_SOURCE);
        } catch (NamingException e) {
            throw new IllegalStateException("The container has no data source " + DATA_SOURCE + ".", e);
        }
        Application application = new Application(database, database, Settings.from(environment));
        ResteasyDeployment rest = new ResteasyDeploymentImpl();
        rest.setResources(application.controllers());
        rest.setProviders(application.providers());
        return rest;
    }

    private static ContextResource dataSource(Map<String, String> environment) {
        ContextResource resource = new ContextResource();
        resource.setName(DATA_SOURCE);
        resource.setType(DataSource.class.getName());
        resource.setProperty("factory", "org.apache.tomcat.jdbc.pool.DataSourceFactory");
        resource.setProperty("driverClassName", "org.h2.Driver");
        resource.setProperty("url", environment.get("DB_URL"));
        resource.setProperty("username", environment.get("DB_USER"));
        resource.setProperty("password", environment.get("DB_PASSWORD"));
        resource.setProperty("rollbackOnReturn", "true");
        resource.setProperty("jdbcInterceptors", "ConnectionState");
        resource.setProperty("defaultAutoCommit", "true");
        return resource;
    }

    /** Where the shop is, without a slash at the end. */
    public String url() {
        return "http://localhost:" + tomcat.getConnector().getLocalPort() + CONTEXT_PATH;
    }

    @Override
    public void close() throws LifecycleException {
        tomcat.stop();
        tomcat.destroy();
    }

    public static void main(String[] arguments) throws LifecycleException {
        start(System.getenv(), 8080).tomcat.getServer().await();
    }
}
