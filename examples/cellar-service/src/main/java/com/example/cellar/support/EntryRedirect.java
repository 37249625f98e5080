package com.example.cellar.support;

import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;

/** Leads from the root to the entry point. */
final class EntryRedirect extends Handler.Abstract.NonBlocking {
    private final String location;

    EntryRedirect(String location) {
        this.location = location;
    }

    @Override
    public boolean handle(Request request, Response response, Callback callback) {
        Response.sendRedirect(request, response, callback, location);
        return true;
    }
}
