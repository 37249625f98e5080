package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;
import net.datafaker.Faker;

/** Made-up texts that look like what the name of a column promises; the same for the same number. */
final class ReadableTexts {
    private static final int KNOWN = 60;
    private static final List<String> PEOPLE =
            List.of("person", "people", "user", "customer", "employee", "grower", "contact", "member",
            "student", "teacher", "author", "worker", "owner", "client", "patient", "hand", "staff", "player");

    /** Those of the library come in another order in each run. */
    private static final List<String> CURRENCIES = List.of("AUD", "BRL", "CAD", "CHF", "CZK", "DKK", "EUR", "GBP",
            "INR", "JPY", "MXN", "NOK", "NZD", "PLN", "SEK", "SGD", "USD", "ZAR");

    private final Faker faker;
    private final Map<String, List<String>> known = new HashMap<>();

    ReadableTexts(long number) {
        faker = new Faker(Locale.ENGLISH, new Random(number));
    }

    /** Some texts for a field, without regard to its rules. */
    List<String> of(Entity entity, Field field) {
        String column = words(field.name().value());
        String table = words(entity.name().value());
        for (Topic topic : Topic.values()) {
            if (topic.fits(column)) {
                return known.computeIfAbsent(topic.name(), key -> made(topic.text));
            }
        }
        boolean ofPerson = PEOPLE.stream().anyMatch(word -> table.endsWith(" " + word + " "));
        if (column.endsWith(" name ") && (ofPerson || column.contains(" full "))) {
            return known.computeIfAbsent("person",
                    key -> made(made -> made.name().firstName() + " " + made.name().lastName()));
        }
        return known.computeIfAbsent("thing",
                key -> made(made -> capital(made.word().adjective()) + " " + made.word().noun()));
    }

    private List<String> made(Function<Faker, String> text) {
        return Stream.generate(() -> text.apply(faker)).limit(KNOWN).distinct().toList();
    }

    private static String words(String camelCase) {
        return " " + camelCase.replaceAll("(?<=[a-z0-9])(?=[A-Z])", " ").toLowerCase(Locale.ROOT) + " ";
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /** What columns are often about, the more particular first. */
    private enum Topic {
        EMAIL(faker -> faker.name().firstName().toLowerCase(Locale.ROOT) + "."
                + faker.name().lastName().toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z]", "") + "@example.com", "email", "mail"),
        URL(faker -> "https://example.com/" + faker.word().noun(), "url", "website", "link", "homepage"),
        PHONE(faker -> "+1 555 01" + faker.number().digits(2), "phone", "mobile", "fax", "telephone"),
        FIRST_NAME(faker -> faker.name().firstName(), "first name", "given name", "forename"),
        LAST_NAME(faker -> faker.name().lastName(), "last name", "family name", "surname"),
        LOGIN(faker -> faker.name().firstName().toLowerCase(Locale.ROOT) + faker.number().digits(2), "username",
                "user name", "login", "nickname"),
        STREET(faker -> faker.address().buildingNumber() + " " + faker.address().streetName(), "street", "address"),
        CITY(faker -> faker.address().cityName(), "city", "town", "place", "village"),
        COUNTRY(faker -> faker.address().country(), "country"),
        POSTCODE(faker -> faker.number().digits(5), "postcode", "zip", "postal code", "zip code"),
        COLOUR(faker -> faker.color().name(), "colour", "color"),
        CURRENCY(faker -> faker.options().nextElement(CURRENCIES), "currency"),
        TEXT(ReadableTexts::sentence, "description", "note", "notes", "comment", "comments", "remark", "remarks",
                "text", "summary",
                "message", "content", "body", "details"),
        CODE(faker -> faker.letterify("??", true) + faker.number().digits(4), "code", "sku", "reference", "ref",
                "number", "no", "barcode");

        private final Function<Faker, String> text;
        private final List<String> words;

        Topic(Function<Faker, String> text, String... words) {
            this.text = text;
            this.words = List.of(words);
        }

        boolean fits(String column) {
            return words.stream().anyMatch(word -> column.endsWith(" " + word + " "));
        }
    }

    private static String sentence(Faker faker) {
        return capital(faker.word().adjective()) + " " + faker.word().noun() + ", " + faker.word().adjective() + " "
                + faker.word().noun() + ".";
    }

    /** A text with a number that no other has; the number goes before the @ of an address. */
    static String numbered(String text, int n) {
        int at = text.indexOf('@');
        return at > 0 ? text.substring(0, at) + n + text.substring(at) : text.startsWith("https://") ? text + "-" + n
                : text + " " + n;
    }
}
