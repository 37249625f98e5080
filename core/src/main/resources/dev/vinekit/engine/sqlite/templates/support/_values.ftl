import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;

        if (value instanceof LocalDateTime moment) {
            return Columns.text(moment);
        }
        if (value instanceof OffsetDateTime moment) {
            return Columns.text(moment.withOffsetSameInstant(ZoneOffset.UTC).toLocalDateTime()) + "+00:00";
        }
        if (value instanceof LocalTime time) {
            return DateTimeFormatter.ISO_LOCAL_TIME.format(time);
        }
