package com.example.cellar.support;

import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;

/** Lets the thread know which request it works on, for what it logs, and measures how long that takes. */
final class ObservedRequests extends Handler.Wrapper {
    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        RequestIds.begin(response.getHeaders().get(RequestIds.HEADER));
        long begin = System.nanoTime();
        try {
            return super.handle(request, response, callback);
        } finally {
            Measures.request(request.getMethod(), RequestIds.route(), response.getStatus(), begin);
            RequestIds.end();
        }
    }
}
