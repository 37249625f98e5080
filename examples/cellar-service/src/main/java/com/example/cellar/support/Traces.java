package com.example.cellar.support;

import io.opentelemetry.api.OpenTelemetry;
import io.opentelemetry.api.trace.Span;
import io.opentelemetry.api.trace.SpanKind;
import io.opentelemetry.api.trace.StatusCode;
import io.opentelemetry.api.trace.Tracer;
import io.opentelemetry.api.trace.propagation.W3CTraceContextPropagator;
import io.opentelemetry.context.Context;
import io.opentelemetry.context.Scope;
import io.opentelemetry.context.propagation.TextMapGetter;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.UnaryOperator;
import org.slf4j.MDC;

/**
 * Tells OpenTelemetry what belongs to one request: the request, what services do for it, and their statements. Where
 * nobody listens, that costs nothing; the trace that a request belongs to (W3C Trace Context) is in the log all the
 * same.
 */
public final class Traces {
    private static final String KEY = "trace";
    private static final String PARENT = "traceparent";
    private static final int SERVER_ERROR = 500;
    private static final Part NOTHING = new Part(Span.getInvalid(), Scope.noop());

    private static final TextMapGetter<UnaryOperator<String>> HEADERS = new TextMapGetter<>() {
        @Override
        public Iterable<String> keys(UnaryOperator<String> headers) {
            return List.of(PARENT, "tracestate");
        }

        @Override
        public String get(UnaryOperator<String> headers, String name) {
            return headers == null ? null : headers.apply(name);
        }
    };

    private static final Tracer NOBODY = OpenTelemetry.noop().getTracer(KEY);
    private static final AtomicReference<Tracer> LISTENER = new AtomicReference<>(NOBODY);

    private Traces() {
    }

    /** Lets somebody listen from now on. */
    public static void to(OpenTelemetry listener) {
        LISTENER.set(listener.getTracer(Traces.class.getPackageName()));
    }

    /** A part of a trace, which the thread is in until its end. */
    record Part(Span span, Scope scope) {
        void end() {
            scope.close();
            span.end();
        }

        /**
         * The end of a request.
         *
         * @param route the path, with names for the keys in it; null if there is nothing at the path
         */
        void end(String method, String route, int status) {
            MDC.remove(KEY);
            if (span.isRecording()) {
                span.updateName(route == null ? method : method + " " + route)
                        .setAttribute("http.request.method", method)
                        .setAttribute("http.response.status_code", status);
                if (route != null) {
                    span.setAttribute("http.route", route);
                }
                if (status >= SERVER_ERROR) {
                    span.setStatus(StatusCode.ERROR);
                }
            }
            end();
        }

        /** The identifier of the trace; null if there is none. */
        String trace() {
            return span.getSpanContext().isValid() ? span.getSpanContext().getTraceId() : null;
        }
    }

    /**
     * A request, in the trace that it says it belongs to.
     *
     * @param headers gives those of the request by their names, null for those that it has not
     */
    @SuppressWarnings("MustBeClosedChecker") // the end of the part closes the scope
    static Part request(UnaryOperator<String> headers) {
        Tracer tracer = LISTENER.get();
        if (tracer.equals(NOBODY) && headers.apply(PARENT) == null) {
            return NOTHING;
        }
        Context parent = W3CTraceContextPropagator.getInstance().extract(Context.root(), headers, HEADERS);
        Span span = tracer.spanBuilder("request").setParent(parent).setSpanKind(SpanKind.SERVER).startSpan();
        Part part = new Part(span, parent.with(span).makeCurrent());
        tell(part.trace());
        return part;
    }

    /** Puts the trace into what the thread logs; takes it out if it is null. */
    static void tell(String trace) {
        if (trace == null) {
            MDC.remove(KEY);
        } else {
            MDC.put(KEY, trace);
        }
    }

    /** What a service does. */
    static Part call() {
        Tracer tracer = LISTENER.get();
        return tracer.equals(NOBODY) ? NOTHING : begun(tracer.spanBuilder(Origin.method()).startSpan());
    }

    /** A statement, without its values. */
    static Part statement(String sql) {
        Tracer tracer = LISTENER.get();
        return tracer.equals(NOBODY) ? NOTHING
                : begun(tracer.spanBuilder(Origin.method(sql)).setSpanKind(SpanKind.CLIENT)
                .setAttribute("db.query.text", sql).startSpan());
    }

    @SuppressWarnings("MustBeClosedChecker") // the end of the part closes the scope
    private static Part begun(Span span) {
        return new Part(span, span.makeCurrent());
    }
}
