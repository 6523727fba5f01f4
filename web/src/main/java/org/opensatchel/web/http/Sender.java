package org.opensatchel.web.http;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Whoever sends a request, as the connector knows them: how much of a body has come, without waiting for more, and how to
 * let go of the rest. Without that, the connector reads on until all has come, and holds a thread for as long as a slow sender likes.
 */
@Component
class Sender implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

    /** So many bytes of an answer the system takes at once, whether they are read or not: more than any page of ours and what it loads, compressed. */
    static final int BUFFER = 128 << 10;

    private static final String KEY = Sender.class.getName();

    private final boolean forwarded;

    /** @param forwarding how forwarded headers are taken; none where nothing stands in front */
    Sender(@Value("${server.forward-headers-strategy:none}") String forwarding) {
        this.forwarded = !forwarding.equalsIgnoreCase("none");
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        // A page that a job was waited for is forwarded to, and written as a whole only after that.
        factory.addContextCustomizers(context -> context.setSuspendWrappedResponseAfterForward(false));
        factory.setProtocol(FairProtocol.class.getName());
        factory.addConnectorCustomizers(connector -> {
            connector.setProperty("socket.txBufSize", Integer.toString(BUFFER));
            if (forwarded && connector.getProtocolHandler() instanceof FairProtocol fair) {
                fair.trustOneAddress();
            }
        });
        factory.addEngineValves(new ValveBase(true) {
            @Override
            public void invoke(Request request, Response response) throws IOException, ServletException {
                request.setAttribute(KEY, request.getCoyoteRequest());
                getNext().invoke(request, response);
            }
        });
    }

    /** How many bytes of the body have come and can be read without waiting. */
    static int arrived(HttpServletRequest request) {
        if (!(request.getAttribute(KEY) instanceof org.apache.coyote.Request sender)) {
            return 0;
        }
        sender.action(ActionCode.AVAILABLE, Boolean.TRUE);
        return sender.getAvailable();
    }

    /** Nothing more is read of a request. */
    static void letGo(HttpServletRequest request) {
        if (request.getAttribute(KEY) instanceof org.apache.coyote.Request sender) {
            sender.action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
    }
}
