package com.example.cellar.support;

import io.undertow.server.HttpHandler;
import io.undertow.servlet.Servlets;
import io.undertow.servlet.api.DeploymentInfo;
import io.undertow.servlet.api.DeploymentManager;
import io.undertow.util.StatusCodes;
import jakarta.servlet.ServletException;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicLong;
import org.jboss.resteasy.core.ResteasyDeploymentImpl;
import org.jboss.resteasy.plugins.server.servlet.HttpServlet30Dispatcher;
import org.jboss.resteasy.spi.ResteasyDeployment;

/** The controllers as a servlet of the server. */
final class Controllers {
    private Controllers() {
    }

    /**
     * Starts the controllers.
     *
     * @param threads where requests are worked on
     * @param workload bounds how many there are
     */
    static HttpHandler handler(Application application, Settings.Http settings, Executor threads, Workload workload) {
        ResteasyDeployment rest = new ResteasyDeploymentImpl();
        rest.setResources(application.controllers());
        rest.setProviders(application.providers());
        AtomicLong responseBytes = new AtomicLong();
        DeploymentInfo servlet = Servlets.deployment()
                .setDeploymentName("service")
                .setContextPath(settings.basePath())
                .setClassLoader(Controllers.class.getClassLoader())
                .setExecutor(threads)
                .addServletContextAttribute(ResteasyDeployment.class.getName(), rest)
                .addServlet(Servlets.servlet(HttpServlet30Dispatcher.class).addMapping("/*").setAsyncSupported(true)
                        .setLoadOnStartup(1))
                .addInnerHandlerChainWrapper(next ->
                        new ResponseSender(known(next), settings.compression(), responseBytes));
        HttpHandler answering = workload.before(started(servlet));
        BodyReceiver receiver = new BodyReceiver(answering, settings);
        return exchange -> {
            if (responseBytes.get() > settings.maxResponseBytesInWork()) {
                exchange.setStatusCode(StatusCodes.SERVICE_UNAVAILABLE).endExchange();
            } else {
                receiver.handleRequest(exchange);
            }
        };
    }

    /** Lets the thread know which request it works on: for what it logs, and to be stopped. */
    private static HttpHandler known(HttpHandler next) {
        return exchange -> {
            RequestIds.begin(exchange.getResponseHeaders().getFirst(RequestIds.HEADER));
            long begin = Workload.begin(exchange);
            Traces.Part part = Traces.request(exchange.getRequestHeaders()::getFirst);
            if (part.trace() != null) {
                exchange.putAttachment(RequestGuard.TRACE, part.trace());
            }
            try {
                next.handleRequest(exchange);
            } finally {
                String method = exchange.getRequestMethod().toString();
                part.end(method, RequestIds.route(), exchange.getStatusCode());
                Measures.request(method, RequestIds.route(), exchange.getStatusCode(), begin);
                Workload.end(exchange);
                RequestIds.end();
            }
        };
    }

    private static HttpHandler started(DeploymentInfo servlet) {
        DeploymentManager manager = Servlets.newContainer().addDeployment(servlet);
        manager.deploy();
        try {
            return manager.start();
        } catch (ServletException e) {
            throw new IllegalStateException("The controllers cannot be started.", e);
        }
    }
}
