package dev.vinekit.mapping;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

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
            "thesis", "theses", "tooth", "teeth", "vertex", "vertices", "wife", "wives", "wolf", "wolves",
            "woman", "women", "movie", "movies", "cookie", "cookies", "lie", "lies", "tie", "ties", "pie", "pies",
            "cache", "caches", "axe", "axes", "hero", "heroes", "potato", "potatoes", "tomato", "tomatoes",
            "echo", "echoes", "veto", "vetoes", "shoe", "shoes", "toe", "toes", "release", "releases"};
        for (int i = 0; i < pairs.length; i += 2) {
            IRREGULAR.putIfAbsent(pairs[i], pairs[i + 1]);
        }
    }

    private English() {
    }

    static String plural(String noun) {
        if (SAME.contains(noun) || IRREGULAR.containsValue(noun)) {
            return noun;
        }
        if (IRREGULAR.containsKey(noun)) {
            return IRREGULAR.get(noun);
        }
        if (!singular(noun).equals(noun)) {
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

    static String singular(String noun) {
        if (SAME.contains(noun) || IRREGULAR.containsKey(noun) || SINGULAR_IN_S.contains(noun)) {
            return noun;
        }
        for (Map.Entry<String, String> pair : IRREGULAR.entrySet()) {
            if (pair.getValue().equals(noun)) {
                return pair.getKey();
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
