package org.opensatchel.base.json;

import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.LINE;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;

/** Looks for a key that stands twice in one object, in documents that people write and where both cannot be meant. */
public final class JsonTwins {

    private JsonTwins() {
    }

    /** The first such key with its place; a document that is no JSON is somebody else's to tell. */
    public static Optional<JsonFault> first(byte[] json) {
        Deque<Set<String>> open = new ArrayDeque<>();
        try (JsonParser parser = JsonDocuments.FACTORY.createParser(ObjectReadContext.empty(), json)) {
            for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
                switch (token) {
                    case START_OBJECT -> open.push(new HashSet<>());
                    case END_OBJECT -> open.pop();
                    case PROPERTY_NAME -> {
                        if (!open.element().add(parser.currentName())) {
                            return Optional.of(new JsonFault(parser.streamReadContext().pathAsPointer().toString(),
                                    JsonWording.TWICE
                                            .say(Facts.of(KEY, parser.currentName()).and(LINE, parser.currentLocation().getLineNr()))));
                        }
                    }
                    default -> {
                        // Values have no twins.
                    }
                }
            }
        } catch (JacksonException broken) {
            return Optional.empty();
        }
        return Optional.empty();
    }
}
