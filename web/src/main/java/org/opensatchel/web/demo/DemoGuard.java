package org.opensatchel.web.demo;

import java.net.InetAddress;
import org.opensatchel.web.storage.SatchelProperties;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.web.server.autoconfigure.ServerProperties;
import org.springframework.stereotype.Component;

/** The demo's passwords are known to everybody: with it on, nothing is served beyond this machine. */
@Component
@ConditionalOnWebApplication
class DemoGuard {

    DemoGuard(SatchelProperties properties, ServerProperties server) {
        InetAddress address = server.getAddress();
        if (properties.demo() && (address == null || !address.isLoopbackAddress())) {
            throw new IllegalStateException(
                    "The demo is on (satchel.demo=true), and its passwords are known to everybody: it is served on this machine alone. Set server.address=127.0.0.1, or turn the demo off.");
        }
    }
}
