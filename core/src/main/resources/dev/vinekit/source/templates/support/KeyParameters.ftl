/** Path parameters of types that Jakarta REST does not read by itself. */
@Provider
public final class KeyParameters implements ParamConverterProvider {
    @Override
    public <T> ParamConverter<T> getConverter(Class<T> type, Type genericType, Annotation[] annotations) {
        return Temporal.class.isAssignableFrom(type)<#if s.binary> || type == Binary.class</#if> ? new Converter<>(type) : null;
    }

    private record Converter<T>(Class<T> type) implements ParamConverter<T> {
        @Override
        public T fromString(String value) {
            return PathKeys.parse(value, type);
        }

        @Override
        public String toString(T value) {
            return value.toString();
        }
    }
}
