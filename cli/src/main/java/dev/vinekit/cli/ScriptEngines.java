package dev.vinekit.cli;

import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import java.util.Iterator;

/** The engines that scripts can be written for, for the help and for completion. */
final class ScriptEngines implements Iterable<String> {
    @Override
    public Iterator<String> iterator() {
        return Engines.all().stream().filter(Engine::makesScratch).map(Engine::name).iterator();
    }
}
