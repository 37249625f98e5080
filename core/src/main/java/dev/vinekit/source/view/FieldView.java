package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import java.util.List;
import java.util.Optional;

/**
 * A field of an entity.
 *
 * @param type as the entity declares it
 * @param boxed as the input declares it: may be null
 * @param taken the same with what must hold for each value in a list
 * @param column the column's name
 * @param sqlName the column as SQL spells it
 * @param parameter the parameter marker, if it is more than a question mark
 * @param read code that reads it from a result set named {@code row}
 * @param filter code that makes a column to filter and sort by of it
 * @param fromKey code that takes it from the key of a row
 * @param inserted code that takes its value for a new row from {@code input}
 * @param bound code that takes it for a changed row
 * @param stored the assertion that a test row has the value that was sent
 * @param nameText the name as a string literal
 * @param json the JSON property
 * @param renamed whether JSON spells the name otherwise
 * @param capitalised the name with a capital, to follow another word
 * @param assigned whether the database numbers it
 * @param told whether clients read it
 * @param owner whether it says whose the row is
 * @param coded whether the database holds another form than Java
 * @param maxLength the greatest length in characters; 0 if there is no limit
 */
public record FieldView(
        JavaName name,
        JavaCode type,
        JavaCode boxed,
        JavaCode taken,
        DocText doc,
        DocText columnDoc,
        JavaString column,
        JavaString sqlName,
        Optional<JavaString> parameter,
        List<JavaCode> annotations,
        JavaCode read,
        JavaCode filter,
        JavaCode fromKey,
        JavaCode inserted,
        JavaCode bound,
        JavaCode stored,
        JavaString nameText,
        JavaString json,
        boolean renamed,
        JavaName capitalised,
        boolean inKey,
        boolean assigned,
        boolean told,
        boolean owner,
        boolean coded,
        int maxLength,
        Optional<EnumView> enumeration) {
}
