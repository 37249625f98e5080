package dev.vinekit.sql;

import dev.vinekit.sql.Expression.Operator;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Reads a check expression. Never fails: what it does not understand becomes {@link Expression.Unknown}. */
public final class ExpressionParser {
    private static final Map<String, Operator> COMPARISONS = Map.of(
            "=", Operator.EQUAL, "<>", Operator.NOT_EQUAL, "!=", Operator.NOT_EQUAL,
            "<", Operator.LESS, "<=", Operator.AT_MOST, ">", Operator.GREATER, ">=", Operator.AT_LEAST);

    /** Words that follow another in the name of a type. */
    private static final Set<String> TYPE_WORDS = Set.of("varying", "precision", "with", "without", "time", "zone");

    private final List<Token> tokens;
    private final UnaryOperator<String> fold;
    private int position;

    private ExpressionParser(String sql, UnaryOperator<String> fold, Quoting quoting) {
        this.tokens = Lexer.tokens(sql, quoting);
        this.fold = fold;
    }

    /**
     * The meaning of an expression.
     *
     * @param sql the expression as the engine writes it
     * @param fold what the engine does with an identifier that is not quoted, for example {@code toUpperCase}
     */
    public static Expression parse(String sql, UnaryOperator<String> fold) {
        return parse(sql, fold, Quoting.STANDARD);
    }

    /**
     * The meaning of an expression.
     *
     * @param quoting how the engine quotes
     */
    public static Expression parse(String sql, UnaryOperator<String> fold, Quoting quoting) {
        try {
            ExpressionParser parser = new ExpressionParser(sql, fold, quoting);
            Expression expression = parser.disjunction();
            return parser.peek().kind() == Token.Kind.END ? expression : new Expression.Unknown(sql);
        } catch (NotUnderstood e) {
            return new Expression.Unknown(sql);
        }
    }

    private Expression disjunction() {
        List<Expression> parts = new ArrayList<>(List.of(conjunction()));
        while (takeWord("OR")) {
            parts.add(conjunction());
        }
        return parts.size() == 1 ? parts.get(0) : new Expression.Or(List.copyOf(parts));
    }

    private Expression conjunction() {
        List<Expression> parts = new ArrayList<>(List.of(negation()));
        while (takeWord("AND")) {
            parts.add(negation());
        }
        return parts.size() == 1 ? parts.get(0) : new Expression.And(List.copyOf(parts));
    }

    private Expression negation() {
        return takeWord("NOT") ? new Expression.Not(negation()) : predicate();
    }

    private Expression predicate() {
        Expression left = sum();
        if (peek().kind() == Token.Kind.SYMBOL && COMPARISONS.containsKey(peek().text())) {
            Operator operator = COMPARISONS.get(take().text());
            return operator == Operator.EQUAL && takeWord("ANY")
                    ? new Expression.In(left, elements())
                    : new Expression.Comparison(operator, left, sum());
        }
        if (takeSymbol("!~~")) {
            return new Expression.Not(new Expression.Like(left, string(), ""));
        }
        if (takeWord("IS")) {
            boolean negated = takeWord("NOT");
            expectWord("NULL");
            return negate(negated, new Expression.IsNull(left));
        }
        boolean negated = takeWord("NOT");
        Optional<Expression> found = suffix(left);
        if (negated && found.isEmpty()) {
            throw new NotUnderstood();
        }
        return found.map(expression -> negate(negated, expression)).orElse(left);
    }

    private Optional<Expression> suffix(Expression left) {
        if (takeWord("BETWEEN")) {
            Expression low = sum();
            expectWord("AND");
            return Optional.of(new Expression.Between(left, low, sum()));
        }
        if (takeWord("IN")) {
            expectSymbol("(");
            return Optional.of(new Expression.In(left, arguments()));
        }
        if (takeWord("LIKE") || takeSymbol("~~")) {
            String pattern = string();
            return Optional.of(new Expression.Like(left, pattern, takeWord("ESCAPE") ? string() : ""));
        }
        if (takeWord("REGEXP") || takeWord("RLIKE") || takeSymbol("~")) {
            return Optional.of(new Expression.Matches(left, string()));
        }
        return Optional.empty();
    }

    private Expression sum() {
        Expression left = product();
        while (peek().isSymbol("+") || peek().isSymbol("-") || peek().isSymbol("||")) {
            left = new Expression.Arithmetic(take().text(), left, product());
        }
        return left;
    }

    private Expression product() {
        Expression left = value();
        while (peek().isSymbol("*") || peek().isSymbol("/") || peek().isSymbol("%")) {
            left = new Expression.Arithmetic(take().text(), left, value());
        }
        return left;
    }

    /** The elements of an array that stands in parentheses, whatever it is cast to. */
    private List<Expression> elements() {
        Expression array = value();
        while (array instanceof Expression.Cast cast) {
            array = cast.value();
        }
        if (array instanceof Expression.Call call && call.name().equals("array")) {
            return call.arguments();
        }
        throw new NotUnderstood();
    }

    /** A value with the casts behind it, as in {@code 'x'::text}. */
    private Expression value() {
        Expression value = plainValue();
        while (takeSymbol("::")) {
            value = new Expression.Cast(value, castType());
        }
        return value;
    }

    private String castType() {
        if (peek().kind() != Token.Kind.WORD && peek().kind() != Token.Kind.QUOTED_IDENTIFIER) {
            throw new NotUnderstood();
        }
        StringBuilder name = new StringBuilder(take().text());
        while (peek().kind() == Token.Kind.WORD && TYPE_WORDS.contains(peek().text().toLowerCase(Locale.ROOT))) {
            name.append(' ').append(take().text());
        }
        if (takeSymbol("(")) {
            arguments();
        }
        while (takeSymbol("[")) {
            expectSymbol("]");
        }
        return name.toString();
    }

    private Expression plainValue() {
        Token token = take();
        switch (token.kind()) {
            case NUMBER:
                return new Expression.Number(decimal(token.text()));
            case STRING:
                return new Expression.Text(token.text());
            case QUOTED_IDENTIFIER:
                return new Expression.ColumnRef(token.text());
            case WORD:
                return word(token.text());
            case SYMBOL:
                if (token.text().equals("-") && plainValue() instanceof Expression.Number number) {
                    return new Expression.Number(number.value().negate());
                }
                if (token.text().equals("(")) {
                    Expression inner = disjunction();
                    expectSymbol(")");
                    return inner;
                }
                throw new NotUnderstood();
            default:
                throw new NotUnderstood();
        }
    }

    private Expression word(String word) {
        if (word.equalsIgnoreCase("ARRAY") && takeSymbol("[")) {
            List<Expression> elements = new ArrayList<>();
            do {
                elements.add(disjunction());
            } while (takeSymbol(","));
            expectSymbol("]");
            return new Expression.Call("array", List.copyOf(elements));
        }
        if (word.equalsIgnoreCase("CAST") && takeSymbol("(")) {
            Expression value = disjunction();
            expectWord("AS");
            return new Expression.Cast(value, typeName());
        }
        if (takeSymbol("(")) {
            return new Expression.Call(word.toLowerCase(Locale.ROOT), takeSymbol(")") ? List.of() : arguments());
        }
        return switch (word.toUpperCase(Locale.ROOT)) {
            case "TRUE" -> new Expression.Truth(true);
            case "FALSE" -> new Expression.Truth(false);
            case "NULL" -> new Expression.Null();
            case "CURRENT_DATE", "CURRENT_TIME", "CURRENT_TIMESTAMP", "LOCALTIME", "LOCALTIMESTAMP" ->
                    new Expression.Call(word.toLowerCase(Locale.ROOT), List.of());
            case "DATE", "TIME", "TIMESTAMP" -> peek().kind() == Token.Kind.STRING
                    ? new Expression.Cast(new Expression.Text(take().text()), word.toLowerCase(Locale.ROOT))
                    : new Expression.ColumnRef(fold.apply(word));
            case "CASE", "EXISTS", "SELECT", "ARRAY", "ROW", "INTERVAL" -> throw new NotUnderstood();
            default -> new Expression.ColumnRef(fold.apply(word));
        };
    }

    /** The list up to the closing parenthesis; the opening one has been taken. */
    private List<Expression> arguments() {
        List<Expression> arguments = new ArrayList<>();
        do {
            arguments.add(disjunction());
        } while (takeSymbol(","));
        expectSymbol(")");
        return List.copyOf(arguments);
    }

    /** The type of a CAST, up to the parenthesis that closes the cast. */
    private String typeName() {
        StringBuilder name = new StringBuilder();
        for (int depth = 0; depth > 0 || !peek().isSymbol(")"); ) {
            Token token = take();
            if (token.kind() == Token.Kind.END) {
                throw new NotUnderstood();
            }
            depth += token.isSymbol("(") ? 1 : token.isSymbol(")") ? -1 : 0;
            boolean glued = name.isEmpty() || token.kind() == Token.Kind.SYMBOL
                    || name.charAt(name.length() - 1) == '(';
            name.append(glued ? "" : " ").append(token.text());
        }
        take();
        return name.toString();
    }

    /** A string, also in parentheses or with a cast. */
    private String string() {
        Expression value = value();
        while (value instanceof Expression.Cast cast) {
            value = cast.value();
        }
        if (value instanceof Expression.Text text) {
            return text.value();
        }
        throw new NotUnderstood();
    }

    private static BigDecimal decimal(String text) {
        try {
            return new BigDecimal(text);
        } catch (NumberFormatException e) {
            throw new NotUnderstood();
        }
    }

    private static Expression negate(boolean negated, Expression expression) {
        return negated ? new Expression.Not(expression) : expression;
    }

    private Token peek() {
        return tokens.get(position);
    }

    private Token take() {
        Token token = tokens.get(position);
        if (token.kind() != Token.Kind.END) {
            position++;
        }
        return token;
    }

    private boolean takeWord(String word) {
        boolean found = peek().isWord(word);
        if (found) {
            position++;
        }
        return found;
    }

    private boolean takeSymbol(String symbol) {
        boolean found = peek().isSymbol(symbol);
        if (found) {
            position++;
        }
        return found;
    }

    private void expectWord(String word) {
        if (!takeWord(word)) {
            throw new NotUnderstood();
        }
    }

    private void expectSymbol(String symbol) {
        if (!takeSymbol(symbol)) {
            throw new NotUnderstood();
        }
    }

    /** Ends a parse whose text is outside the grammar. */
    private static final class NotUnderstood extends RuntimeException {
        private static final long serialVersionUID = 1L;

        NotUnderstood() {
            super(null, null, false, false);
        }
    }
}
