package com.example.cellar.support;

import jakarta.ws.rs.WebApplicationException;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.ext.ExceptionMapper;
import jakarta.ws.rs.ext.Provider;
import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Answers every error with a problem (RFC 9457). */
@Provider
public final class ProblemMapper implements ExceptionMapper<Throwable> {
    static final int SECONDS_TO_WAIT = 2;

    private static final Logger LOG = LoggerFactory.getLogger(ProblemMapper.class);

    @Override
    public Response toResponse(Throwable error) {
        for (Throwable cause = error; cause != null; cause = cause.getCause()) {
            if (cause instanceof ProblemException known) {
                return response(known);
            }
        }
        if (error instanceof WebApplicationException refusal && refusal.getResponse().getStatus() < 500) {
            return response(Response.fromResponse(refusal.getResponse()), problem(refusal.getResponse()));
        }
        String incident = UUID.randomUUID().toString();
        LOG.error("Incident {}", incident, error);
        return response(Response.status(500), Problem.of(
                500, "Internal Server Error", "Something went wrong; the log has it as incident " + incident + ".",
                List.of()));
    }

    private static Response response(ProblemException known) {
        Response.ResponseBuilder response = Response.status(known.problem().status());
        if (known.problem().status() == 503) {
            LOG.warn("The database does not answer, or not in time: {}",
                    String.valueOf(known.getCause()));
            response.header(HttpHeaders.RETRY_AFTER, SECONDS_TO_WAIT);
        }
        return response(response, known.problem());
    }

    private static Problem problem(Response refusal) {
        String detail = switch (refusal.getStatus()) {
            case 404 -> "There is nothing at this path.";
            case 405 -> "This path takes " + String.join(", ", refusal.getAllowedMethods()) + ".";
            case 406 -> "The answer can be " + MediaType.APPLICATION_JSON + " only.";
            case 415 -> "Send " + MediaType.APPLICATION_JSON + ", for PATCH " + MergePatch.MEDIA_TYPE + ".";
            default -> "The request cannot be carried out.";
        };
        return Problem.of(refusal.getStatus(), refusal.getStatusInfo().getReasonPhrase(), detail, List.of());
    }

    private static Response response(Response.ResponseBuilder builder, Problem problem) {
        Measures.refusal(problem);
        return builder.type(Problem.MEDIA_TYPE).entity(problem.to(RequestIds.current())).build();
    }
}
