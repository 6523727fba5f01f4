package org.opensatchel.web.http;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.channels.SocketChannel;
import java.util.HashMap;
import java.util.Map;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.tomcat.util.net.NioEndpoint;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * HTTP as the server speaks it, but one address has no more than half of the connections there are: who opens very many keeps nobody out, and a
 * whole school behind one address has room.
 */
public final class FairProtocol extends Http11NioProtocol {

    private static final Logger LOG = LoggerFactory.getLogger(FairProtocol.class);

    private final Endpoint endpoint;

    public FairProtocol() {
        this(new Endpoint());
    }

    private FairProtocol(Endpoint endpoint) {
        super(endpoint);
        this.endpoint = endpoint;
    }

    /** Everybody comes from one address when something stands in front that passes requests on. */
    void trustOneAddress() {
        endpoint.trusted = true;
    }

    private static final class Endpoint extends NioEndpoint {

        private static final long COUNTED_EVERY_NANOS = 250_000_000;

        private final Map<String, Integer> counts = new HashMap<>();
        private long countedAt;
        private boolean trusted;

        @Override
        protected boolean setSocketOptions(SocketChannel socket) {
            if (!trusted && isMoreThanItsShare(socket)) {
                // It is not known as a connection yet, so that nobody else would end it.
                destroySocket(socket);
                return true;
            }
            return super.setSocketOptions(socket);
        }

        private boolean isMoreThanItsShare(SocketChannel socket) {
            int share = Math.max(1, getMaxConnections() / 2);
            if (connections.size() < share) {
                return false;
            }
            try {
                String from = socket.getRemoteAddress() instanceof InetSocketAddress address ? address.getAddress().getHostAddress() : "";
                boolean more = counted().merge(from, 1, Integer::sum) > share;
                if (more) {
                    LOG.debug("{} has as many connections as one address may", from);
                }
                return more;
            } catch (IOException gone) {
                return true;
            }
        }

        /** How many connections each address has: counted now and then, and kept up meanwhile. Only who takes connections in asks. */
        private Map<String, Integer> counted() {
            if (System.nanoTime() - countedAt > COUNTED_EVERY_NANOS || countedAt == 0) {
                counts.clear();
                connections.values().forEach(held -> counts.merge(String.valueOf(held.getRemoteAddr()), 1, Integer::sum));
                countedAt = System.nanoTime();
            }
            return counts;
        }
    }
}
