package com.example.cellar.support;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParser;
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
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;

/** Reads request bodies and writes answers as JSON. */
@Provider
public final class JsonProvider implements MessageBodyReader<Object>, MessageBodyWriter<Object> {
    private static final Pattern MINUS_ZERO = Pattern.compile("-[0.]++(?:[eE].*)?");

    private final int maxBodyBytes;

    /**
     * Takes bodies up to a size.
     *
     * @param maxBodyBytes in bytes
     */
    public JsonProvider(int maxBodyBytes) {
        this.maxBodyBytes = maxBodyBytes;
    }

    @Override
    public boolean isReadable(Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType) {
        return mediaType.getSubtype().endsWith("json");
    }

    @Override
    public Object readFrom(
            Class<Object> type, Type genericType, Annotation[] annotations, MediaType mediaType,
            MultivaluedMap<String, String> headers, InputStream body) throws IOException {
        JsonNode json = json(body);
        if (OneOrMany.class.equals(type) && genericType instanceof ParameterizedType many) {
            return InputReader.readAll(json, (Class<?>) many.getActualTypeArguments()[0]);
        } else if (ObjectNode.class.equals(type)) {
            return InputReader.object(json);
        }
        return type.isRecord() && type.equals(genericType) ? InputReader.read(InputReader.object(json), type)
                : InputReader.readAsAnnotated(json, Json.MAPPER.constructType(genericType));
    }

    private JsonNode json(InputStream body) throws IOException {
        byte[] bytes = body.readNBytes(maxBodyBytes + 1);
        if (bytes.length > maxBodyBytes) {
            throw ProblemException.tooLarge(maxBodyBytes);
        }
        try {
            // Jackson accepts bytes that are not well-formed, such as overlong forms (RFC 3629, section 3).
            JsonNode json
                    = Json.MAPPER.readTree(StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes))
                            .toString());
            if (hasMinusZero(bytes)) {
                throw ProblemException.malformed("A number is minus zero, which is not kept.");
            }
            return json;
        } catch (CharacterCodingException e) {
            throw ProblemException.malformed("The body is not well-formed JSON: it is not text in UTF-8.", e);
        } catch (NumberFormatException e) {
            throw ProblemException.malformed("The body has a number with an exponent that nobody can count with.", e);
        } catch (JsonProcessingException e) {
            JsonLocation place = e.getLocation();
            throw ProblemException.malformed("The body is not well-formed JSON" + (place == null
                    ? "." : " at line " + place.getLineNr() + ", column " + place.getColumnNr() + "."), e);
        }
    }

    /** Whether there is a number whose sign would be lost; looked for only where a minus is before a zero. */
    private static boolean hasMinusZero(byte[] bytes) throws IOException {
        boolean possible = false;
        for (int i = 1; i < bytes.length && !possible; i++) {
            possible = bytes[i] == '0' && bytes[i - 1] == '-';
        }
        if (possible) {
            try (JsonParser parser = Json.MAPPER.createParser(bytes)) {
                while (parser.nextToken() != null) {
                    if (parser.currentToken().isNumeric() && MINUS_ZERO.matcher(parser.getText()).matches()) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    @Override
    public boolean isWriteable(Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType) {
        return mediaType.getSubtype().endsWith("json");
    }

    @Override
    public void writeTo(
            Object value, Class<?> type, Type genericType, Annotation[] annotations, MediaType mediaType,
            MultivaluedMap<String, Object> headers, OutputStream response) throws IOException {
        response.write(value instanceof byte[] written ? written : Json.MAPPER.writeValueAsBytes(value));
    }
}
