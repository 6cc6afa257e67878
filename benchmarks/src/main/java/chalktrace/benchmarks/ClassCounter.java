package chalktrace.benchmarks;

import java.lang.instrument.ClassFileTransformer;
import java.lang.instrument.Instrumentation;
import java.security.ProtectionDomain;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** A Java agent that tells which of our classes ran code on one thread: each method of theirs, nested classes and lambdas included, says so as it begins. */
public final class ClassCounter {

    private static volatile Thread watched;
    private static volatile Map<String, String> seen = new TreeMap<>();

    private ClassCounter() {}

    /** As the virtual machine calls it before anything of ours is loaded. */
    public static void premain(String arguments, Instrumentation instrumentation) {
        instrumentation.addTransformer(new Transformer());
    }

    /** Called by the methods that are watched; only the thread that is watched changes what was seen. */
    public static void entered(String name) {
        if (Thread.currentThread() == watched) {
            // Not computeIfAbsent: asking the stack may run methods that are watched.
            if (!seen.containsKey(name)) {
                seen.put(name, wayInto(name));
            }
        }
    }

    /** By which method it was entered, and the nearest method of another class of ours that led there; none where that was the toolkit. */
    private static String wayInto(String name) {
        List<StackWalker.StackFrame> ours = StackWalker.getInstance()
                .walk(frames -> frames.filter(frame -> frame.getClassName().startsWith("chalktrace."))
                        .filter(frame -> !frame.getClassName().startsWith("chalktrace.benchmarks."))
                        .toList());
        String from = ours.stream()
                .filter(frame -> !frame.getClassName().equals(name))
                .findFirst()
                .map(frame -> ", from " + frame.getClassName() + "." + frame.getMethodName())
                .orElse("");
        return (ours.isEmpty() ? "" : ours.get(0).getMethodName()) + from;
    }

    /** From now on the calling thread is watched. */
    static void begin() {
        seen = new TreeMap<>();
        watched = Thread.currentThread();
    }

    /** On the thread that was watched. @return full names of the classes in order, each with the way into it */
    static Map<String, String> end() {
        watched = null;
        return seen;
    }

    private static final class Transformer implements ClassFileTransformer {

        @Override
        public byte[] transform(
                ClassLoader loader, String name, Class<?> redefined, ProtectionDomain domain, byte[] file) {
            if (!name.startsWith("chalktrace/") || name.startsWith("chalktrace/benchmarks/")) {
                return null;
            }
            ClassReader reader = new ClassReader(file);
            // What is put in needs one place more on the stack, and no frames.
            ClassWriter writer = new ClassWriter(reader, ClassWriter.COMPUTE_MAXS);
            reader.accept(new Watched(writer), 0);
            return writer.toByteArray();
        }
    }

    private static final class Watched extends ClassVisitor {

        private String name;

        Watched(ClassVisitor next) {
            super(Opcodes.ASM9, next);
        }

        @Override
        public void visit(int version, int access, String of, String signature, String parent, String[] interfaces) {
            name = of.replace('/', '.');
            super.visit(version, access, of, signature, parent, interfaces);
        }

        @Override
        public MethodVisitor visitMethod(int access, String of, String type, String signature, String[] exceptions) {
            MethodVisitor next = super.visitMethod(access, of, type, signature, exceptions);
            return new MethodVisitor(Opcodes.ASM9, next) {
                @Override
                public void visitCode() {
                    super.visitCode();
                    visitLdcInsn(name);
                    visitMethodInsn(
                            Opcodes.INVOKESTATIC,
                            "chalktrace/benchmarks/ClassCounter",
                            "entered",
                            "(Ljava/lang/String;)V",
                            false);
                }
            };
        }
    }
}
