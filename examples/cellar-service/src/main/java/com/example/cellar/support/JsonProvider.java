package com.example.cellar.support;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
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
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;

/** Reads request bodies and writes answers as JSON. */
@Provider
public final class JsonProvider implements MessageBodyReader<Object>, MessageBodyWriter<Object> {
    private final int greatestBody;

    /**
     * Takes bodies up to a size.
     *
     * @param greatestBody in bytes
     */
    public JsonProvider(int greatestBody) {
        this.greatestBody = greatestBody;
    }

    @Override
    public boolean isReadable(Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType) {
        return type.isRecord() || type == ObjectNode.class;
    }

    @Override
    public Object readFrom(
            Class<Object> type, Type genericType, Annotation[] annotations, MediaType mediaType,
            MultivaluedMap<String, String> headers, InputStream body) throws IOException {
        JsonNode json = json(body);
        if (genericType instanceof ParameterizedType many) {
            return InputReader.readAll(json, (Class<?>) many.getActualTypeArguments()[0]);
        }
        return type.isRecord() ? InputReader.read(InputReader.object(json), type) : InputReader.object(json);
    }

    private JsonNode json(InputStream body) throws IOException {
        byte[] bytes = body.readNBytes(greatestBody + 1);
        if (bytes.length > greatestBody) {
            throw ProblemException.tooLarge(greatestBody);
        }
        try {
            return Json.MAPPER.readTree(bytes);
        } catch (JsonProcessingException e) {
            JsonLocation place = e.getLocation();
            throw ProblemException.malformed("The body is not well-formed JSON" + (place == null
                    ? "." : " at line " + place.getLineNr() + ", column " + place.getColumnNr() + "."), e);
        }
    }

    @Override
    public boolean isWriteable(Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType) {
        return mediaType.getSubtype().endsWith("json");
    }

    @Override
    public void writeTo(
            Object value, Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType,
            MultivaluedMap<String, Object> headers, OutputStream answer) throws IOException {
        answer.write(value instanceof byte[] written ? written : Json.MAPPER.writeValueAsBytes(value));
    }
}
