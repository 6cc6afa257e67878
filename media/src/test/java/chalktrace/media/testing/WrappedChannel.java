package chalktrace.media.testing;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.MappedByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.ReadableByteChannel;
import java.nio.channels.WritableByteChannel;

/** A channel in front of another one that tells of what is written and forced. */
class WrappedChannel extends FileChannel {

    /** What is done when a file is forced. */
    interface Forcing {
        void run() throws IOException;
    }

    private final FileChannel inner;
    private final Runnable changed;
    private final Forcing forcing;

    WrappedChannel(FileChannel inner, Runnable changed, Forcing forcing) {
        this.inner = inner;
        this.changed = changed;
        this.forcing = forcing;
    }

    @Override
    public int read(ByteBuffer to) throws IOException {
        return inner.read(to);
    }

    @Override
    public long read(ByteBuffer[] to, int from, int count) throws IOException {
        return inner.read(to, from, count);
    }

    @Override
    public int read(ByteBuffer to, long position) throws IOException {
        return inner.read(to, position);
    }

    @Override
    public int write(ByteBuffer bytes) throws IOException {
        try {
            return inner.write(bytes);
        } finally {
            changed.run();
        }
    }

    @Override
    public long write(ByteBuffer[] bytes, int from, int count) throws IOException {
        try {
            return inner.write(bytes, from, count);
        } finally {
            changed.run();
        }
    }

    @Override
    public int write(ByteBuffer bytes, long position) throws IOException {
        try {
            return inner.write(bytes, position);
        } finally {
            changed.run();
        }
    }

    @Override
    public long position() throws IOException {
        return inner.position();
    }

    @Override
    public FileChannel position(long position) throws IOException {
        inner.position(position);
        return this;
    }

    @Override
    public long size() throws IOException {
        return inner.size();
    }

    @Override
    public FileChannel truncate(long size) throws IOException {
        inner.truncate(size);
        changed.run();
        return this;
    }

    @Override
    public void force(boolean withAttributes) throws IOException {
        forcing.run();
    }

    @Override
    public long transferTo(long position, long count, WritableByteChannel to) throws IOException {
        return inner.transferTo(position, count, to);
    }

    @Override
    public long transferFrom(ReadableByteChannel from, long position, long count) throws IOException {
        try {
            return inner.transferFrom(from, position, count);
        } finally {
            changed.run();
        }
    }

    @Override
    public MappedByteBuffer map(MapMode mode, long position, long size) throws IOException {
        return inner.map(mode, position, size);
    }

    @Override
    public FileLock lock(long position, long size, boolean shared) throws IOException {
        return inner.lock(position, size, shared);
    }

    @Override
    public FileLock tryLock(long position, long size, boolean shared) throws IOException {
        return inner.tryLock(position, size, shared);
    }

    @Override
    protected void implCloseChannel() throws IOException {
        if (inner != null) {
            inner.close();
        }
    }
}
