import java.util.UUID;

        if (value instanceof UUID uuid) {
            return uuid.toString();
        }
