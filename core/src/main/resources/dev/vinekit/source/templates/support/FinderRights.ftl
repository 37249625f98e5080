<#if s.findable>
import jakarta.ws.rs.core.SecurityContext;
import jakarta.ws.rs.core.UriInfo;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Who may list rows that certain parameters find, and no others. */
public final class FinderRights {
    private final AccessRight whole;
    private final List<Finding> findings;

    private record Finding(AccessRight right, List<String> parameters) {
    }

    private FinderRights(AccessRight whole, List<Finding> findings) {
        this.whole = whole;
        this.findings = findings;
    }

    /** For those who do not have the right to the whole list. */
    public static FinderRights unless(AccessRight whole) {
        return new FinderRights(whole, List.of());
    }

    /** The same, and what else may be listed with a right, if all of these parameters are given. */
    public FinderRights or(AccessRight right, String... parameters) {
        List<Finding> more = new ArrayList<>(findings);
        more.add(new Finding(right, List.of(parameters)));
        return new FinderRights(whole, more);
    }

    /**
     * Lets nobody list more than they may.
     *
     * @throws ProblemException 403 naming the parameters that are needed
     */
    public void verify(UriInfo uri, SecurityContext caller, Filters filters) {
        if (whole.belongsTo(caller)) {
            return;
        }
        Set<String> asked = uri.getQueryParameters().keySet().stream().map(filters::whole).collect(Collectors.toSet());
        List<Finding> possible = findings.stream().filter(finding -> finding.right().belongsTo(caller)).toList();
        if (possible.stream().noneMatch(finding -> asked.containsAll(finding.parameters()))) {
            throw ProblemException.forbidden("The roles of the token allow to list what is asked for by "
                    + possible.stream().map(finding -> String.join(" and ", finding.parameters()))
                            .collect(Collectors.joining(", or by ")) + ".");
        }
    }
}
</#if>
