import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import java.nio.file.Files;
import java.nio.file.Path;

/** Keeps a scratch database, made by scripts, until the process is stopped; prints its URL, user and password. */
public final class Scratch {
    public static void main(String[] arguments) throws Exception {
        ScratchDatabase scratch = Engines.named(arguments[0]).scratch();
        Runtime.getRuntime().addShutdownHook(new Thread(() -> {
            try {
                scratch.close();
            } catch (Exception e) {
                System.err.println("The scratch database went with its server.");
            }
        }));
        for (int i = 1; i < arguments.length; i++) {
            scratch.execute(Files.readString(Path.of(arguments[i])));
        }
        System.out.println(scratch.url() + "\n" + scratch.user() + "\n" + scratch.password());
        Thread.sleep(Long.MAX_VALUE);
    }
}
