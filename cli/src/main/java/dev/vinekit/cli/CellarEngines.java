package dev.vinekit.cli;

import dev.vinekit.cellar.Cellar;
import java.util.Iterator;

/** The engines that have a cellar, for the help and for completion. */
final class CellarEngines implements Iterable<String> {
    @Override
    public Iterator<String> iterator() {
        return Cellar.engines().iterator();
    }
}
