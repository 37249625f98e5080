package dev.vinekit.source.view;

import java.net.URI;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import javax.tools.FileObject;
import javax.tools.ForwardingJavaFileManager;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileManager;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;

/** Asks the Java compiler what a string expression stands for. */
final class JavaEvaluator {
    private JavaEvaluator() {
    }

    static String evaluate(String expression) throws Exception {
        String source = "public class Holder { public static final String VALUE = " + expression + "; }";
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        Map<String, ByteArrayOutputStream> classes = new HashMap<>();
        try (JavaFileManager files = new InMemory(compiler.getStandardFileManager(null, null, null), classes)) {
            boolean compiled = compiler.getTask(null, files, null, List.of("-proc:none"), null,
                    List.of(new Text(source))).call();
            if (!compiled) {
                throw new IllegalArgumentException("does not compile: " + source);
            }
        }
        ClassLoader loader = new ClassLoader() {
            @Override
            protected Class<?> findClass(String name) {
                byte[] bytes = classes.get(name).toByteArray();
                return defineClass(name, bytes, 0, bytes.length);
            }
        };
        return (String) loader.loadClass("Holder").getField("VALUE").get(null);
    }

    private static final class Text extends SimpleJavaFileObject {
        private final String text;

        Text(String text) {
            super(URI.create("string:///Holder.java"), Kind.SOURCE);
            this.text = text;
        }

        @Override
        public CharSequence getCharContent(boolean ignoreEncodingErrors) {
            return text;
        }
    }

    private static final class InMemory extends ForwardingJavaFileManager<JavaFileManager> {
        private final Map<String, ByteArrayOutputStream> classes;

        InMemory(JavaFileManager files, Map<String, ByteArrayOutputStream> classes) {
            super(files);
            this.classes = classes;
        }

        @Override
        public JavaFileObject getJavaFileForOutput(
                Location location, String name, JavaFileObject.Kind kind, FileObject sibling) {
            return new SimpleJavaFileObject(URI.create("memory:///" + name + ".class"), kind) {
                @Override
                public OutputStream openOutputStream() throws IOException {
                    return classes.computeIfAbsent(name, key -> new ByteArrayOutputStream());
                }
            };
        }
    }
}
