import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;

/** JSON merge patches (RFC 7396). */
public final class MergePatch {
    public static final String MEDIA_TYPE = "application/merge-patch+json";

    private MergePatch() {
    }

    /**
     * An input with a patch applied to it.
     *
     * @throws ProblemException 400 if the patch names an unknown property or gives one a value of a wrong type
     */
    public static <T> T apply(ObjectNode patch, T current, Class<T> type) {
        List<Violation> unknown = InputReader.unknown(patch, type);
        if (!unknown.isEmpty()) {
            throw ProblemException.invalid(unknown);
        }
        return InputReader.read(merge(Json.tree(current), patch), type);
    }

    private static ObjectNode merge(ObjectNode target, ObjectNode patch) {
        patch.properties().forEach(property -> {
            String name = property.getKey();
            if (property.getValue().isNull()) {
                target.remove(name);
            } else if (property.getValue() instanceof ObjectNode inner) {
                ObjectNode base = target.get(name) instanceof ObjectNode present ? present : target.objectNode();
                target.set(name, merge(base, inner));
            } else {
                target.set(name, property.getValue());
            }
        });
        return target;
    }
}
