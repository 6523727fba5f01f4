package org.opensatchel.core.scan;

import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.project.ReadLimits.Sums;
import org.opensatchel.formats.link.ReadWording;

/**
 * What all documents hold together, added up in the order of the files whatever thread is done first: so the same
 * document is the first one too many each time. Who is far ahead of the slowest waits, so that what is held meanwhile
 * stays bounded too.
 */
final class DocumentSums {

    /**
     * What one document holds.
     *
     * @param links how many links
     * @param text the characters of its links
     * @param bytes the bytes of it that were read into memory at once
     */
    record Held(long links, long text, long bytes) {

        static final Held NOTHING = new Held(0, 0, 0);

        Held and(Held other) {
            return new Held(links + other.links, text + other.text, bytes + other.bytes);
        }

        Held without(Held other) {
            return new Held(links - other.links, text - other.text, bytes - other.bytes);
        }
    }

    private final Sums most;
    private final Map<Integer, Held> ahead = new HashMap<>();
    private Held done = Held.NOTHING;
    private Held waiting = Held.NOTHING;
    private int next;

    DocumentSums(Sums most) {
        this.most = most;
    }

    /** Whether links are still kept for the document that follows those done; waits while those read ahead take too much. */
    synchronized Held before(int index) {
        boolean interrupted = false;
        while (index != next && isLinksFull(waiting)) {
            try {
                wait();
            } catch (InterruptedException asked) {
                // The slowest always goes on, so this ends; a check that is no longer wanted ends with its process.
                interrupted = true;
            }
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
        return done;
    }

    synchronized void add(int index, Held held) {
        ahead.put(index, held);
        waiting = waiting.and(held);
        for (Held one = ahead.remove(next); one != null; one = ahead.remove(next)) {
            done = done.and(one);
            waiting = waiting.without(one);
            next++;
        }
        notifyAll();
    }

    boolean isLinksFull(Held sum) {
        return sum.links > most.links() || sum.text > most.linkText();
    }

    boolean isBytesFull(Held sum) {
        return sum.bytes > most.documentBytes();
    }

    /**
     * Why the links of a document are not looked up when those before it hold so much, completing “The document …”; empty when they are.
     */
    Optional<Phrase> refusal(Held before, Held own) {
        boolean named = own.links > 0;
        if (named && before.links > most.links()) {
            return Optional.of(ReadWording.LINKS_BEFORE.say(Facts.of(MOST, most.links())));
        }
        if (named && before.text > most.linkText()) {
            return Optional.of(ReadWording.LONG_LINKS_BEFORE.say(Facts.of(MOST, most.linkText())));
        }
        return own.bytes > 0 && isBytesFull(before) ? Optional.of(ReadWording.BYTES_BEFORE.say(Facts.of(MOST_BYTES, most.documentBytes())))
                : Optional.empty();
    }
}
