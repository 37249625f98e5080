package com.example.cellar.support;

import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.RequestLog;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.NanoTime;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A line in the log for each request, without what follows the path. */
final class AccessLog implements RequestLog {
    private static final Logger LOG = LoggerFactory.getLogger(AccessLog.class);

    @Override
    public void log(Request request, Response response) {
        if (LOG.isInfoEnabled()) {
            RequestIds.begin(response.getHeaders().get(RequestIds.HEADER));
            LOG.info("{} {} {} {} bytes {} ms", request.getMethod(), request.getHttpURI().getPath(),
                    response.getStatus(),
                    Response.getContentBytesWritten(response), NanoTime.millisSince(request.getBeginNanoTime()));
            RequestIds.end();
        }
    }
}
