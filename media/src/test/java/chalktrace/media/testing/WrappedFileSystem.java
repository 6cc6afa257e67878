package chalktrace.media.testing;

import java.io.IOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.net.URI;
import java.nio.channels.FileChannel;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.AccessMode;
import java.nio.file.CopyOption;
import java.nio.file.DirectoryStream;
import java.nio.file.FileStore;
import java.nio.file.FileSystem;
import java.nio.file.LinkOption;
import java.nio.file.OpenOption;
import java.nio.file.Path;
import java.nio.file.PathMatcher;
import java.nio.file.WatchService;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.FileAttributeView;
import java.nio.file.attribute.UserPrincipalLookupService;
import java.nio.file.spi.FileSystemProvider;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** A file system in front of another one that hears of each change. */
abstract class WrappedFileSystem extends FileSystem {

    /** A path of this file system. */
    private interface Wrapped {
        Path inner();
    }

    private final FileSystem inner;
    private final FileSystemProvider provider = new Provider();

    WrappedFileSystem(FileSystem inner) {
        this.inner = inner;
    }

    final FileSystem inner() {
        return inner;
    }

    abstract void changed();

    abstract FileChannel open(Path path, Set<? extends OpenOption> options, FileAttribute<?>... attributes)
            throws IOException;

    private static Object unwrap(Object any) {
        return any instanceof Wrapped wrapped ? wrapped.inner() : any;
    }

    private static Path unwrap(Path path) {
        return (Path) unwrap((Object) path);
    }

    private Path wrap(Path path) {
        return path == null
                ? null
                : (Path) Proxy.newProxyInstance(
                        getClass().getClassLoader(),
                        new Class<?>[] {Path.class, Wrapped.class},
                        (proxy, method, arguments) -> switch (method.getName()) {
                            case "inner" -> path;
                            case "getFileSystem" -> this;
                            case "toFile" -> throw new UnsupportedOperationException("no file of this machine");
                            default -> call(path, method, arguments);
                        });
    }

    private Object call(Path path, Method method, Object[] arguments) throws Throwable {
        Object[] plain = arguments == null ? null : arguments.clone();
        for (int i = 0; plain != null && i < plain.length; i++) {
            plain[i] = unwrap(plain[i]);
        }
        try {
            Object result = method.invoke(path, plain);
            return result instanceof Path out ? wrap(out) : result;
        } catch (InvocationTargetException e) {
            throw e.getCause();
        }
    }

    @Override
    public FileSystemProvider provider() {
        return provider;
    }

    @Override
    public void close() throws IOException {
        inner.close();
    }

    @Override
    public boolean isOpen() {
        return inner.isOpen();
    }

    @Override
    public boolean isReadOnly() {
        return inner.isReadOnly();
    }

    @Override
    public String getSeparator() {
        return inner.getSeparator();
    }

    @Override
    public Iterable<Path> getRootDirectories() {
        List<Path> roots = new ArrayList<>();
        inner.getRootDirectories().forEach(root -> roots.add(wrap(root)));
        return roots;
    }

    @Override
    public Iterable<FileStore> getFileStores() {
        return inner.getFileStores();
    }

    @Override
    public Set<String> supportedFileAttributeViews() {
        return inner.supportedFileAttributeViews();
    }

    @Override
    public Path getPath(String first, String... more) {
        return wrap(inner.getPath(first, more));
    }

    @Override
    public PathMatcher getPathMatcher(String pattern) {
        PathMatcher matcher = inner.getPathMatcher(pattern);
        return path -> matcher.matches(unwrap(path));
    }

    @Override
    public UserPrincipalLookupService getUserPrincipalLookupService() {
        return inner.getUserPrincipalLookupService();
    }

    @Override
    public WatchService newWatchService() throws IOException {
        return inner.newWatchService();
    }

    private final class Provider extends FileSystemProvider {

        private FileSystemProvider plain() {
            return inner.provider();
        }

        @Override
        public String getScheme() {
            return "wrapped";
        }

        @Override
        public FileSystem newFileSystem(URI uri, Map<String, ?> environment) {
            throw new UnsupportedOperationException();
        }

        @Override
        public FileSystem getFileSystem(URI uri) {
            return WrappedFileSystem.this;
        }

        @Override
        public Path getPath(URI uri) {
            throw new UnsupportedOperationException();
        }

        @Override
        public SeekableByteChannel newByteChannel(
                Path path, Set<? extends OpenOption> options, FileAttribute<?>... attributes) throws IOException {
            return newFileChannel(path, options, attributes);
        }

        @Override
        public FileChannel newFileChannel(Path path, Set<? extends OpenOption> options, FileAttribute<?>... attributes)
                throws IOException {
            return open(unwrap(path), options, attributes);
        }

        @Override
        public DirectoryStream<Path> newDirectoryStream(Path folder, DirectoryStream.Filter<? super Path> filter)
                throws IOException {
            DirectoryStream<Path> stream =
                    plain().newDirectoryStream(unwrap(folder), path -> filter.accept(wrap(path)));
            return new DirectoryStream<>() {
                @Override
                public Iterator<Path> iterator() {
                    Iterator<Path> all = stream.iterator();
                    return new Iterator<>() {
                        @Override
                        public boolean hasNext() {
                            return all.hasNext();
                        }

                        @Override
                        public Path next() {
                            return wrap(all.next());
                        }
                    };
                }

                @Override
                public void close() throws IOException {
                    stream.close();
                }
            };
        }

        @Override
        public void createDirectory(Path folder, FileAttribute<?>... attributes) throws IOException {
            plain().createDirectory(unwrap(folder), attributes);
            changed();
        }

        @Override
        public void delete(Path path) throws IOException {
            plain().delete(unwrap(path));
            changed();
        }

        @Override
        public void copy(Path from, Path to, CopyOption... options) throws IOException {
            plain().copy(unwrap(from), unwrap(to), options);
            changed();
        }

        @Override
        public void move(Path from, Path to, CopyOption... options) throws IOException {
            plain().move(unwrap(from), unwrap(to), options);
            changed();
        }

        @Override
        public boolean isSameFile(Path one, Path other) throws IOException {
            return plain().isSameFile(unwrap(one), unwrap(other));
        }

        @Override
        public boolean isHidden(Path path) throws IOException {
            return plain().isHidden(unwrap(path));
        }

        @Override
        public FileStore getFileStore(Path path) throws IOException {
            return plain().getFileStore(unwrap(path));
        }

        @Override
        public void checkAccess(Path path, AccessMode... modes) throws IOException {
            plain().checkAccess(unwrap(path), modes);
        }

        @Override
        public <V extends FileAttributeView> V getFileAttributeView(Path path, Class<V> type, LinkOption... options) {
            return plain().getFileAttributeView(unwrap(path), type, options);
        }

        @Override
        public <A extends BasicFileAttributes> A readAttributes(Path path, Class<A> type, LinkOption... options)
                throws IOException {
            return plain().readAttributes(unwrap(path), type, options);
        }

        @Override
        public Map<String, Object> readAttributes(Path path, String attributes, LinkOption... options)
                throws IOException {
            return plain().readAttributes(unwrap(path), attributes, options);
        }

        @Override
        public void setAttribute(Path path, String attribute, Object value, LinkOption... options) throws IOException {
            plain().setAttribute(unwrap(path), attribute, value, options);
            changed();
        }
    }
}
