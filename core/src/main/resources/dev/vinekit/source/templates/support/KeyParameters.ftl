import jakarta.ws.rs.ext.ParamConverter;
import jakarta.ws.rs.ext.ParamConverterProvider;
import jakarta.ws.rs.ext.Provider;
import java.lang.annotation.Annotation;
import java.lang.invoke.MethodType;
import java.lang.reflect.Type;
import java.time.temporal.Temporal;
import java.util.UUID;

/** Path parameters: each value has one form, so that each row has one path. */
@Provider
public final class KeyParameters implements ParamConverterProvider {
    @Override
    public <T> ParamConverter<T> getConverter(Class<T> type, Type genericType, Annotation[] annotations) {
        Class<?> boxed = MethodType.methodType(type).wrap().returnType();
        boolean read = Temporal.class.isAssignableFrom(boxed) || Number.class.isAssignableFrom(boxed) || boxed == UUID.class<#if s.binary>
                || boxed == Binary.class</#if>;
        return read ? converter(boxed) : null;
    }

    /** Of a primitive type and its box there is one for both. */
    @SuppressWarnings("unchecked")
    private static <T> ParamConverter<T> converter(Class<?> boxed) {
        return (ParamConverter<T>) new Converter<>(boxed);
    }

    private record Converter<T>(Class<T> type) implements ParamConverter<T> {
        @Override
        public T fromString(String value) {
            return PathKeys.part(value, type);
        }

        @Override
        public String toString(T value) {
            return value.toString();
        }
    }
}
