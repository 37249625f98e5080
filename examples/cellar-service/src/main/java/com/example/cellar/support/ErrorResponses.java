package com.example.cellar.support;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.TimeoutException;
import org.eclipse.jetty.http.HttpException;
import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.http.HttpStatus;
import org.eclipse.jetty.io.EofException;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.server.handler.ErrorHandler;
import org.eclipse.jetty.util.BufferUtil;
import org.eclipse.jetty.util.Callback;

/** Explains what the server itself refuses, as a problem (RFC 9457). */
final class ErrorResponses extends ErrorHandler {
    @Override
    public boolean handle(Request request, Response response, Callback callback) {
        if (!response.getHeaders().contains(RequestIds.HEADER)) {
            RequestGuard.prepare(request, response);
        }
        Object error = request.getAttribute(ERROR_EXCEPTION);
        if (error instanceof HttpException refusal) {
            response.setStatus(refusal.getCode());
        } else if (error instanceof TimeoutException) {
            response.setStatus(HttpStatus.REQUEST_TIMEOUT_408);
        } else if (error instanceof EofException) {
            response.setStatus(HttpStatus.BAD_REQUEST_400);
        }
        int status = response.getStatus();
        if (status < HttpStatus.BAD_REQUEST_400) {
            callback.succeeded();
            return true;
        }
        Measures.refusal(HttpStatus.getMessage(status));
        if (status == HttpStatus.SERVICE_UNAVAILABLE_503) {
            response.getHeaders().put(HttpHeader.RETRY_AFTER, ProblemMapper.SECONDS_TO_WAIT);
        }
        Problem problem = Problem.of(status, HttpStatus.getMessage(status), detail(status), List.of())
                .to(response.getHeaders().get(RequestIds.HEADER));
        response.getHeaders().put(HttpHeader.CONTENT_TYPE, Problem.MEDIA_TYPE);
        response.write(true, BufferUtil.toBuffer(Json.tree(problem).toString(), StandardCharsets.UTF_8), callback);
        return true;
    }

    private static String detail(int status) {
        return switch (status) {
            case HttpStatus.BAD_REQUEST_400 -> "This is not a request of HTTP/1.1: the URL is text in UTF-8, "
                    + "percent-encoded, a semicolon too; headers have a name, a colon and their own form; "
                    + "bodies are as long as they say.";
            case HttpStatus.NOT_FOUND_404 -> "There is nothing at this path.";
            case HttpStatus.METHOD_NOT_ALLOWED_405 -> "This path does not have this method.";
            case HttpStatus.REQUEST_TIMEOUT_408 -> "The request took too long to come.";
            case HttpStatus.PAYLOAD_TOO_LARGE_413 -> "The body is too large.";
            case HttpStatus.URI_TOO_LONG_414 -> "The URL is too long.";
            case HttpStatus.UNSUPPORTED_MEDIA_TYPE_415 -> "A body is JSON in UTF-8, without a content encoding.";
            case HttpStatus.MISDIRECTED_REQUEST_421 -> "The service does not go by this name. "
                    + "HTTP_HOSTS says which it goes by.";
            case HttpStatus.REQUEST_HEADER_FIELDS_TOO_LARGE_431 -> "The headers are too large, or too many.";
            case HttpStatus.SERVICE_UNAVAILABLE_503 -> "The service has too much to do, or is about to stop. "
                    + "Try again later.";
            default -> "The request cannot be carried out.";
        };
    }
}
