package dev.vinekit.cli;

import dev.vinekit.VineKit;
import dev.vinekit.compare.ChangeWords;
import dev.vinekit.compare.Comparison;
import dev.vinekit.compare.Effect;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.file.Proposal;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import dev.vinekit.source.SourceTree;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;

/** What commands found and did, for other programs; the names of the components are those of the JSON. */
final class Results {
    private static final double MILLISECONDS = 1000;

    private Results() {
    }

    /** A table and what it becomes. */
    record MappedTable(String table, String entity, String path, List<String> operations) {
        static List<MappedTable> of(Mapping mapping) {
            return mapping.entities().stream().map(MappedTable::of).toList();
        }

        private static MappedTable of(Entity entity) {
            return new MappedTable(entity.table().name().toString(), entity.name().value(), "/" + entity.path(),
                    entity.operations().stream().map(Operation::word).toList());
        }
    }

    /** What is to be known of a table. */
    record Note(String table, String topic, String text) {
        static List<Note> of(Mapping mapping) {
            return mapping.remarks().stream().map(remark -> new Note(remark.table().toString(),
                    remark.topic().name().toLowerCase(Locale.ROOT), remark.text())).toList();
        }
    }

    /** What becomes of a file. */
    record ChangedFile(String path, String change, String reason) {
        static ChangedFile of(FileChange change) {
            return new ChangedFile(change.path(), Steps.label(change.kind()), change.reason());
        }
    }

    /** A table of which no rows could be made up. */
    record Unfilled(String table, String reason) {
    }

    /** What {@code generate} did. */
    record Generated(
            String directory, boolean written, List<MappedTable> tables, List<Note> remarks, List<ChangedFile> files,
            List<Unfilled> unfilled, List<String> missingLibraries, List<String> decisions) {
        static Generated of(SourceTree sources, ChangeSet changes, boolean written) {
            return new Generated(changes.directory().toString(), written && !changes.isEmpty(),
                    MappedTable.of(sources.mapping()), Note.of(sources.mapping()),
                    changes.changes().stream().map(ChangedFile::of).toList(),
                    new TreeMap<>(sources.unfilled()).entrySet().stream()
                            .map(table -> new Unfilled(table.getKey().toString(), table.getValue())).toList(),
                    changes.missingLibraries(), changes.decisions());
        }
    }

    /** What {@code map} did. */
    record Mapped(String file, boolean written, List<MappedTable> tables, List<Note> remarks, List<String> added,
            List<String> byHand) {
        static Mapped of(Path file, boolean written, Mapping mapping, Proposal proposal) {
            return new Mapped(file.toString(), written, MappedTable.of(mapping), Note.of(mapping), proposal.added(),
                    proposal.byHand());
        }
    }

    /** A change of the schema. */
    record Change(String table, String change, String what, String name, String detail) {
        static Change of(ChangeWords words) {
            return new Change(words.table().toString(), words.change(), words.what(), words.name(), words.detail());
        }
    }

    /** What a change means. */
    record Meaning(String table, String on, String effect, boolean breaksClients, boolean opens) {
        static Meaning of(Effect effect) {
            return new Meaning(effect.table().toString(), effect.on().name().toLowerCase(Locale.ROOT), effect.text(),
                    effect.breaking(), effect.opens());
        }
    }

    /** What {@code compare} found. */
    record Compared(boolean drift, boolean breaksClients, boolean opens, List<Change> changes, List<Meaning> effects,
            List<String> decisions) {
        static Compared of(Comparison comparison) {
            return new Compared(!comparison.isEmpty(), comparison.breaksClients(), comparison.opens(),
                    comparison.difference().changes().stream().map(ChangeWords::of).map(Change::of).toList(),
                    comparison.effects().stream().map(Meaning::of).toList(),
                    VineKit.changes(comparison.difference()).decisions());
        }
    }

    /** The tests of a table; of the service as a whole where no table is named. */
    record TestedTable(String table, long passed, long failed, long off, double seconds) {
        static TestedTable of(String table, List<TestOutcome> outcomes) {
            return new TestedTable(table, outcomes.stream().filter(TestOutcome::passed).count(),
                    outcomes.stream().filter(TestOutcome::failed).count(),
                    outcomes.stream().filter(outcome -> outcome.off().isPresent()).count(),
                    outcomes.stream().mapToLong(outcome -> outcome.duration().toMillis()).sum() / MILLISECONDS);
        }
    }

    /** A test that failed. */
    record FailedTest(String test, String name, String place, String message) {
        static FailedTest of(TestOutcome outcome) {
            return new FailedTest(outcome.testClass(), outcome.name(), outcome.place().orElse(""),
                    outcome.failure().orElseThrow());
        }
    }

    /** What {@code test} and {@code demo} found. */
    record Tested(
            String directory, String shard, boolean green, long passed, long failed, long off, double seconds,
            long seedRows, List<String> changedTables, List<TestedTable> tables, List<FailedTest> failures,
            String report) {
        static Tested of(Path directory, String shard, TestReport report, Path page) {
            List<TestedTable> tables = report.service().tables().stream()
                    .map(table -> TestedTable.of(table.table(), report.of(table.entity()))).toList();
            return new Tested(directory.toString(), shard, report.isGreen(), report.passed(), report.failures().size(),
                    report.off().size(), report.duration().toMillis() / MILLISECONDS, report.seedRows(),
                    report.changedTables(), tables, report.failures().stream().map(FailedTest::of).toList(),
                    page.toString());
        }
    }

    /** What {@code token} made. */
    record Token(String token, String subject, List<String> roles, int minutes) {
    }

    /** What {@code role} wrote. */
    record Role(String name, String sql) {
    }
}
