package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.eclipse.jgit.dircache.DirCache;
import org.eclipse.jgit.dircache.DirCacheEntry;
import org.eclipse.jgit.lib.Repository;
import org.eclipse.jgit.storage.file.FileRepositoryBuilder;

/** Asks version control about a merge of branches that nobody has finished yet. */
final class UnfinishedMerge {
    private UnfinishedMerge() {
    }

    /**
     * What the other branch made of a file, if both changed it and a person has not said yet which it is to be.
     *
     * @throws Fault if there is such a merge and it cannot be read
     */
    static Optional<byte[]> theirs(Path file) {
        if (!file.getFileSystem().equals(FileSystems.getDefault())) {
            return Optional.empty();
        }
        Path real = file.toAbsolutePath().normalize();
        FileRepositoryBuilder found = new FileRepositoryBuilder().findGitDir(real.getParent().toFile());
        if (found.getGitDir() == null || Stream.of("MERGE_HEAD", "CHERRY_PICK_HEAD", "REBASE_HEAD")
                .noneMatch(head -> Files.exists(found.getGitDir().toPath().resolve(head)))) {
            return Optional.empty();
        }
        try (Repository repository = found.build()) {
            String path = repository.getWorkTree().toPath().relativize(real).toString().replace('\\', '/');
            DirCache index = repository.readDirCache();
            Optional<DirCacheEntry> theirs = IntStream.range(0, index.getEntryCount()).mapToObj(index::getEntry)
                    .filter(entry -> entry.getStage() == DirCacheEntry.STAGE_3 && entry.getPathString().equals(path))
                    .findFirst();
            return theirs.isEmpty() ? Optional.empty()
                    : Optional.of(repository.open(theirs.get().getObjectId()).getBytes());
        } catch (IOException e) {
            throw Fault.inWorld("The unfinished merge in " + found.getGitDir() + " cannot be read: "
                    + FileFailure.reason(e) + ".", "Finish the merge, and generate then.", e);
        }
    }
}
