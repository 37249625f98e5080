package dev.vinekit.cli;

import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;

/** Runs the tool again and again in one process: the same directory and environment, a command each time. */
final class ToolHost {
    private ToolHost() {
    }

    /** Takes commands from the input until it ends, and gives how they ended. */
    public static void main(String[] none) throws IOException {
        InputStream in = System.in;
        PrintStream out = System.out;
        System.setIn(InputStream.nullInputStream());
        DataInputStream commands = new DataInputStream(in);
        DataOutputStream results = new DataOutputStream(out);
        for (int count = commands.read(); count >= 0; count = commands.read()) {
            String[] arguments = new String[count];
            for (int i = 0; i < count; i++) {
                arguments[i] = commands.readUTF();
            }
            ByteArrayOutputStream told = new ByteArrayOutputStream();
            ByteArrayOutputStream warned = new ByteArrayOutputStream();
            System.setOut(new PrintStream(told, true, StandardCharsets.UTF_8));
            System.setErr(new PrintStream(warned, true, StandardCharsets.UTF_8));
            int exit = VineKitCommand.run(arguments);
            System.out.flush();
            System.err.flush();
            results.writeInt(exit);
            write(results, told);
            write(results, warned);
            results.flush();
        }
    }

    private static void write(DataOutputStream results, ByteArrayOutputStream text) throws IOException {
        results.writeInt(text.size());
        text.writeTo(results);
    }

    static Tool.Result read(DataInputStream results) throws IOException {
        int exit = results.readInt();
        String out = new String(results.readNBytes(results.readInt()), StandardCharsets.UTF_8);
        return new Tool.Result(exit, out, new String(results.readNBytes(results.readInt()), StandardCharsets.UTF_8));
    }
}
