package dev.vinekit.source.view;

import dev.vinekit.mapping.Feature;
import dev.vinekit.mapping.JavaName;
import java.util.List;
import java.util.Optional;

/**
 * The service as a whole.
 *
 * @param insertOfDefaults what follows the table in an INSERT without values
 * @param indent the spaces of a step of Java code; 0 for a tab
 * @param rights who may do what; empty for a service that everybody may use
 * @param findable whether somebody may list only what a finder finds
 * @param owned whether rows of any table belong to somebody
 * @param stamped whether the service fills columns of any table
 * @param deleting whether deleted rows of any table stay
 * @param scoped whether rows of any table are not there for everybody
 * @param sharedLock what makes a SELECT keep others from changing its row
 * @param signed whether one of them says who made or changed a row
 * @param lock what makes a SELECT lock its row, if there is such a thing
 * @param ownerRoles the roles to which not all rows are shown, as arguments
 * @param handover how the database is told who the caller is
 * @param claims those that say whose rows are
 * @param roles every role
 * @param tables the entities that tests write to, each after those that it refers to
 * @param server whether the service has a server of its own
 * @param poolers whether a pooler may stand before the database that lends a connection for a transaction only
 * @param features what it has beyond its tables
 * @param artifactName the name of the project
 * @param description where on the class path the description of the interface is
 * @param firstCollection a collection that can be listed
 * @param firstWritable a collection that accepts new rows
 * @param createsMany whether it accepts several at once
 */
public record ServiceView(
        JavaName basePackage,
        DocText artifact,
        JavaString artifactName,
        DocText engineTitle,
        DocText exampleUrl,
        JavaString insertOfDefaults,
        boolean binary,
        boolean bytes,
        boolean ownReads,
        boolean uuidsAsText,
        boolean asText,
        boolean json,
        boolean scalars,
        boolean roundedDocuments,
        boolean roundedNumbers,
        boolean lists,
        boolean cursorsInTransactions,
        int lastYearOfDates,
        int lastYear,
        boolean endless,
        boolean infinities,
        boolean notNumbers,
        boolean renamed,
        boolean converted,
        boolean nullableNumbers,
        boolean floatingDecimals,
        boolean compositeLookups,
        boolean byTable,
        boolean interfaces,
        int indent,
        boolean returnsRows,
        boolean comparesRows,
        boolean sortsNullsFirst,
        boolean offsetFirst,
        JavaString limit,
        JavaString page,
        boolean versioned,
        boolean secretive,
        boolean guarded,
        boolean cached,
        boolean secured,
        boolean owned,
        boolean stamped,
        boolean deleting,
        boolean scoped,
        Optional<JavaString> sharedLock,
        boolean signed,
        Optional<JavaString> lock,
        Optional<HandoverView> handover,
        JavaCode ownerRoles,
        List<ClaimView> claims,
        List<EntityView.RightView> rights,
        boolean findable,
        JavaCode roles,
        JavaString basePath,
        DocText basePathText,
        boolean server,
        JavaString description,
        boolean poolers,
        List<Feature> features,
        LimitsView limits,
        List<EntityView> entities,
        List<EntityView> tables,
        Optional<JavaString> firstCollection,
        Optional<JavaString> firstWritable,
        boolean createsMany,
        List<LibraryView> libraries,
        List<RemarkView> remarks) {
    public boolean withPage() {
        return features.contains(Feature.PAGE);
    }

    public boolean metrics() {
        return features.contains(Feature.METRICS);
    }

    public boolean replicas() {
        return features.contains(Feature.REPLICAS);
    }

    public boolean failover() {
        return features.contains(Feature.FAILOVER);
    }

    public boolean cors() {
        return features.contains(Feature.CORS);
    }

    public boolean classArchive() {
        return features.contains(Feature.CLASS_ARCHIVE);
    }

    public boolean container() {
        return features.contains(Feature.CONTAINER);
    }

    public boolean systemd() {
        return features.contains(Feature.SYSTEMD);
    }

    /** How many rows go at a time: of a page at most, of a page by rule, into one request that creates some. */
    public record LimitsView(int page, int usualPage, int created) {
    }

    /** A claim that says whose rows are, somebody's value of it, and whether no row can be made without. */
    public record ClaimView(JavaString name, JavaString value, boolean needed) {
    }

    /** How the database is told a claim of the caller's. */
    public record HandoverView(JavaString sql, JavaString claim) {
    }

    /** A library of the engine's. */
    public record LibraryView(DocText group, DocText artifact, DocText version, DocText scope) {
    }

    /** Something to know about a table. */
    public record RemarkView(DocText table, DocText text) {
    }
}
