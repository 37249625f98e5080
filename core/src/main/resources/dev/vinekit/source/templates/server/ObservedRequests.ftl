import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;

/** Lets the thread know which request it works on, for what it logs<#if s.metrics>, and measures how long that takes</#if>. */
final class ObservedRequests extends Handler.Wrapper {
    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        RequestIds.begin(response.getHeaders().get(RequestIds.HEADER));
<#if s.metrics>
        long begin = System.nanoTime();
</#if>
        try {
            return super.handle(request, response, callback);
        } finally {
<#if s.metrics>
            Measures.request(request.getMethod(), RequestIds.route(), response.getStatus(), begin);
</#if>
            RequestIds.end();
<#if s.secured && (s.owned || s.signed)>
            Caller.end();
</#if>
        }
    }
}
