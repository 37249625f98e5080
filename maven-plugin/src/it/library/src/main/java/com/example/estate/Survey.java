package com.example.estate;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.mapping.Mapping;
import java.nio.file.Path;

/** Somebody else's program, which has the library from a repository. */
public final class Survey {
    private Survey() {
    }

    public static void main(String[] arguments) {
        try (Cellar cellar = Cellar.open("h2")) {
            Mapping mapping = VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.estate.cellar");
            VineKit.write(VineKit.plan(VineKit.generate(mapping), Path.of(arguments[0])));
            System.out.println("Surveyed: " + mapping.entities().size());
        }
    }
}
