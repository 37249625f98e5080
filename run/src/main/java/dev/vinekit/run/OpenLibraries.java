package dev.vinekit.run;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;

/**
 * File managers whose libraries stay open from one compilation to the next: opening a hundred jars takes longer than
 * most compilations. One is used by a single compilation at a time.
 */
final class OpenLibraries implements AutoCloseable {
    private static final List<OpenLibraries> FREE = new ArrayList<>();

    private final String state;
    private final StandardJavaFileManager files;
    private boolean sound;

    private OpenLibraries(String state, StandardJavaFileManager files) {
        this.state = state;
        this.files = files;
    }

    /**
     * One that is free or new.
     *
     * @param use separates compilations with different options, because a file manager remembers its options
     */
    static synchronized OpenLibraries of(JavaCompiler compiler, String use, String classPath) throws IOException {
        String state = use + state(classPath);
        List<OpenLibraries> outdated =
                FREE.stream().filter(free -> free.state.startsWith(use) && !free.state.equals(state)).toList();
        FREE.removeAll(outdated);
        for (OpenLibraries old : outdated) {
            old.files.close();
        }
        for (OpenLibraries free : FREE) {
            if (free.state.equals(state)) {
                FREE.remove(free);
                free.sound = false;
                return free;
            }
        }
        return new OpenLibraries(state, compiler.getStandardFileManager(null, Locale.ROOT, StandardCharsets.UTF_8));
    }

    /** The libraries, with what tells whether one has been written anew. */
    private static String state(String classPath) throws IOException {
        StringBuilder state = new StringBuilder();
        for (String entry : classPath.split(File.pathSeparator)) {
            Path library = Path.of(entry);
            state.append(File.pathSeparatorChar).append(entry);
            if (Files.isRegularFile(library)) {
                state.append(' ').append(Files.size(library)).append(' ').append(Files.getLastModifiedTime(library));
            }
        }
        return state.toString();
    }

    StandardJavaFileManager files() {
        return files;
    }

    /** Says that all libraries could be read. */
    void sound() {
        sound = true;
    }

    /**
     * Keeps the libraries open for the next compilation if this one was {@link #sound()}. An interrupted thread closes
     * the library that it reads for everyone, and no later compilation could read it.
     */
    @Override
    public void close() throws IOException {
        if (!sound) {
            files.close();
            return;
        }
        synchronized (OpenLibraries.class) {
            FREE.add(this);
        }
    }
}
