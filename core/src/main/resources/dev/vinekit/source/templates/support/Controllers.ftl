import io.undertow.server.HttpHandler;
import io.undertow.servlet.Servlets;
import io.undertow.servlet.api.DeploymentInfo;
import io.undertow.servlet.api.DeploymentManager;
<#if s.secured>
import io.undertow.servlet.handlers.ServletRequestContext;
</#if>
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
     * @param threads where requests are worked on; the server's own pool if null
     */
    static HttpHandler handler(Application application, Settings.Http settings, Executor threads) {
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
                .addServlet(Servlets.servlet(HttpServlet30Dispatcher.class).addMapping("/*").setAsyncSupported(true))
                .addInnerHandlerChainWrapper(next -> new ResponseSender(new RequestIds(next), responseBytes))<#if s.secured>
                .addInnerHandlerChainWrapper(Controllers::tellingTheCaller)</#if>;
<#if s.secured>
        BodyReceiver receiver = new BodyReceiver(started(servlet), settings, application.tokens(), threads);
<#else>
        BodyReceiver receiver = new BodyReceiver(started(servlet), settings);
</#if>
        return exchange -> {
            if (responseBytes.get() > settings.maxResponseBytesInWork()) {
                exchange.setStatusCode(StatusCodes.SERVICE_UNAVAILABLE).endExchange();
            } else {
                receiver.handleRequest(exchange);
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
<#if s.secured>

    /** Whose body was taken is not asked again. */
    private static HttpHandler tellingTheCaller(HttpHandler next) {
        return exchange -> {
            exchange.getAttachment(ServletRequestContext.ATTACHMENT_KEY).getServletRequest()
                    .setAttribute(AccessFilter.CALLER, exchange.getAttachment(BodyReceiver.CALLER));
<#if s.owned || s.signed>
            try {
                next.handleRequest(exchange);
            } finally {
                Caller.end();
            }
<#else>
            next.handleRequest(exchange);
</#if>
        };
    }
</#if>
}
