package org.opensatchel.web.errand;

import java.io.Closeable;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * Something that lies on this machine for as long as a worker needs it.
 *
 * @param held what is let go of then
 */
public record Lent<T>(T what, List<Closeable> held) implements Closeable {

    public Lent {
        held = List.copyOf(held);
    }

    /** What is made of it, held as long as it is. */
    public <U> Lent<U> as(Function<T, U> making) {
        return new Lent<>(making.apply(what), held);
    }

    /** Where another one is had. */
    public interface Other<V> {
        Lent<V> lend() throws IOException;
    }

    /**
     * What is made of it and of another one; both are held as long.
     *
     * @throws IOException when the other is not to be had; then this one is let go of too
     */
    public <V, U> Lent<U> with(Other<V> other, BiFunction<T, V, U> making) throws IOException {
        try {
            Lent<V> second = other.lend();
            List<Closeable> both = new ArrayList<>(held);
            both.addAll(second.held);
            return new Lent<>(making.apply(what, second.what), both);
        } catch (IOException | RuntimeException missing) {
            close();
            throw missing;
        }
    }

    @Override
    public void close() throws IOException {
        IOException first = null;
        for (Closeable one : held) {
            try {
                one.close();
            } catch (IOException broken) {
                first = first == null ? broken : first;
            }
        }
        if (first != null) {
            throw first;
        }
    }
}
