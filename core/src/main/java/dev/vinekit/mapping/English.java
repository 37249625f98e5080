package dev.vinekit.mapping;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Singular and plural of English nouns in lower case. */
final class English {
    private static final Set<String> SAME = Set.of(
            "data", "deer", "equipment", "fish", "information", "means", "metadata", "news", "police", "rice",
            "series", "sheep", "species", "staff", "stock", "history");

    /** Singular to plural. */
    private static final Map<String, String> IRREGULAR = new LinkedHashMap<>();

    /** Nouns whose singular ends in s. */
    private static final Set<String> SINGULAR_IN_S = Set.of(
            "alias", "atlas", "bias", "bonus", "bus", "canvas", "campus", "census", "chaos", "corpus", "gas", "iris",
            "lens", "plus", "status", "surplus", "virus", "minus", "radius", "consensus", "apparatus", "terminus");

    static {
        String[] pairs = {
            "analysis", "analyses", "axis", "axes", "basis", "bases", "child", "children", "crisis", "crises",
            "criterion", "criteria", "diagnosis", "diagnoses", "foot", "feet", "goose", "geese", "half", "halves",
            "index", "indexes", "knife", "knives", "leaf", "leaves", "life", "lives", "loaf", "loaves", "man", "men",
            "matrix", "matrices", "medium", "media", "mouse", "mice", "ox", "oxen", "person", "people",
            "phenomenon", "phenomena", "quiz", "quizzes", "shelf", "shelves", "synthesis", "syntheses",
            "emphasis", "emphases", "hypothesis", "hypotheses", "parenthesis", "parentheses", "oasis", "oases",
            "synopsis", "synopses", "prognosis", "prognoses",
            "thesis", "theses", "tooth", "teeth", "vertex", "vertices", "wife", "wives", "wolf", "wolves",
            "woman", "women", "movie", "movies", "cookie", "cookies", "lie", "lies", "tie", "ties", "pie", "pies",
            "cache", "caches", "axe", "axes", "hero", "heroes", "potato", "potatoes", "tomato", "tomatoes",
            "echo", "echoes", "veto", "vetoes", "cargo", "cargoes", "shoe", "shoes", "toe", "toes", "canoe", "canoes",
            "release", "releases", "niche", "niches", "calorie", "calories", "prairie", "prairies", "selfie",
            "selfies"};
        for (int i = 0; i < pairs.length; i += 2) {
            IRREGULAR.putIfAbsent(pairs[i], pairs[i + 1]);
        }
    }

    private static final int SHORTEST_BEFORE_DIGITS = 3;

    /** Nouns whose compounds are as irregular as they are: grandchild, bookshelf. */
    private static final List<String> COMPOUNDED = List.of(
            "child", "person", "woman", "man", "foot", "tooth", "mouse", "wife", "knife", "leaf", "shelf", "half");

    /** Nouns that only look like compounds of the above. */
    private static final Set<String> NOT_COMPOUNDED = Set.of(
            "human", "german", "roman", "norman", "shaman", "talisman", "ottoman", "caiman", "behalf");

    private English() {
    }

    /** The plural of a noun; of one with a number behind, that of what stands before: barrels2. */
    static String plural(String noun) {
        return beforeDigits(noun, English::pluralOfLetters);
    }

    /** The singular of a noun, as {@link #plural}. */
    static String singular(String noun) {
        return beforeDigits(noun, English::singularOfLetters);
    }

    private static String beforeDigits(String noun, UnaryOperator<String> change) {
        int end = noun.length();
        while (end > 0 && Character.isDigit(noun.charAt(end - 1))) {
            end--;
        }
        return end < SHORTEST_BEFORE_DIGITS ? change.apply(noun) : change.apply(noun.substring(0, end))
                + noun.substring(end);
    }

    private static String pluralOfLetters(String noun) {
        if (SAME.contains(noun) || IRREGULAR.containsValue(noun)) {
            return noun;
        }
        if (IRREGULAR.containsKey(noun)) {
            return IRREGULAR.get(noun);
        }
        for (String last : COMPOUNDED) {
            if (noun.endsWith(last) && !NOT_COMPOUNDED.contains(noun)) {
                return noun.substring(0, noun.length() - last.length()) + IRREGULAR.get(last);
            }
        }
        if (!singularOfLetters(noun).equals(noun)) {
            return noun;
        }
        if (noun.endsWith("y") && noun.length() > 1 && !isVowel(noun.charAt(noun.length() - 2))) {
            return noun.substring(0, noun.length() - 1) + "ies";
        }
        if (noun.endsWith("is") && noun.length() > 4) {
            return noun.substring(0, noun.length() - 2) + "es";
        }
        return endsInSibilant(noun) ? noun + "es" : noun + "s";
    }

    private static String singularOfLetters(String noun) {
        if (SAME.contains(noun) || noun.chars().noneMatch(c -> isVowel((char) c) || c == 'y')
                || IRREGULAR.containsKey(noun) || SINGULAR_IN_S.contains(noun)) {
            return noun;
        }
        for (Map.Entry<String, String> pair : IRREGULAR.entrySet()) {
            if (pair.getValue().equals(noun)) {
                return pair.getKey();
            }
        }
        for (String last : COMPOUNDED) {
            String plural = IRREGULAR.get(last);
            if (noun.endsWith(plural)) {
                return noun.substring(0, noun.length() - plural.length()) + last;
            }
        }
        if (!noun.endsWith("s") || noun.endsWith("ss") || noun.endsWith("us") || noun.endsWith("is")
                || noun.length() < 3) {
            return noun;
        }
        if (noun.endsWith("ies") && noun.length() > 4) {
            return noun.substring(0, noun.length() - 3) + "y";
        }
        String withoutEs = noun.endsWith("es") ? noun.substring(0, noun.length() - 2) : "";
        boolean esPlural = withoutEs.endsWith("ss") || withoutEs.endsWith("sh") || withoutEs.endsWith("ch")
                || withoutEs.endsWith("x") || withoutEs.endsWith("zz") || SINGULAR_IN_S.contains(withoutEs);
        return esPlural ? withoutEs : noun.substring(0, noun.length() - 1);
    }

    private static boolean endsInSibilant(String noun) {
        return noun.endsWith("s") || noun.endsWith("x") || noun.endsWith("z")
                || noun.endsWith("ch") || noun.endsWith("sh");
    }

    private static boolean isVowel(char c) {
        return "aeiou".indexOf(c) >= 0;
    }
}
