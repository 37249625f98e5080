package com.example.cellar.support;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.MultivaluedMap;
import jakarta.ws.rs.ext.MessageBodyReader;
import jakarta.ws.rs.ext.MessageBodyWriter;
import jakarta.ws.rs.ext.Provider;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.lang.annotation.Annotation;
import java.lang.reflect.Type;

/** Reads request bodies and writes answers as JSON. */
@Provider
public final class JsonProvider implements MessageBodyReader<Object>, MessageBodyWriter<Object> {
    private static final int GREATEST_BODY = 10_000_000;

    @Override
    public boolean isReadable(Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType) {
        return type.isRecord() || type == ObjectNode.class;
    }

    @Override
    public Object readFrom(
            Class<Object> type, Type genericType, Annotation[] annotations, MediaType mediaType,
            MultivaluedMap<String, String> headers, InputStream body) throws IOException {
        ObjectNode object = object(body);
        return type.isRecord() ? InputReader.read(object, type) : object;
    }

    private static ObjectNode object(InputStream body) throws IOException {
        byte[] bytes = body.readNBytes(GREATEST_BODY + 1);
        if (bytes.length > GREATEST_BODY) {
            throw ProblemException.tooLarge(GREATEST_BODY);
        }
        try {
            if (Json.MAPPER.readTree(bytes) instanceof ObjectNode object) {
                return object;
            }
        } catch (JsonProcessingException e) {
            JsonLocation place = e.getLocation();
            throw ProblemException.malformed("The body is not well-formed JSON" + (place == null
                    ? "." : " at line " + place.getLineNr() + ", column " + place.getColumnNr() + "."));
        }
        throw ProblemException.malformed("The body must be a JSON object.");
    }

    @Override
    public boolean isWriteable(Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType) {
        return mediaType.getSubtype().endsWith("json");
    }

    @Override
    public void writeTo(
            Object value, Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType,
            MultivaluedMap<String, Object> headers, OutputStream answer) throws IOException {
        answer.write(Json.MAPPER.writeValueAsBytes(value));
    }
}
