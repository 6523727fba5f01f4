package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.apache.catalina.LifecycleException;
import org.apache.catalina.connector.Connector;
import org.apache.catalina.startup.Tomcat;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One address takes half of the connections and no more, and what it lets go of it may take again. */
class FairProtocolTest {

    private static final int MOST = 10;

    @TempDir
    Path temp;

    private final Tomcat tomcat = new Tomcat();
    private final List<Socket> open = new ArrayList<>();

    @AfterEach
    void stop() throws LifecycleException, IOException {
        for (Socket socket : open) {
            socket.close();
        }
        tomcat.stop();
        tomcat.destroy();
    }

    private void start(boolean trusted) throws LifecycleException {
        Connector connector = new Connector(FairProtocol.class.getName());
        connector.setPort(0);
        connector.setProperty("address", "127.0.0.1");
        connector.setProperty("maxConnections", Integer.toString(MOST));
        connector.setProperty("connectionTimeout", "60000");
        if (trusted) {
            ((FairProtocol) connector.getProtocolHandler()).trustOneAddress();
        }
        tomcat.setBaseDir(temp.toString());
        tomcat.setConnector(connector);
        tomcat.addContext("", null);
        tomcat.start();
    }

    /** Whether a connection from an address stays. */
    private boolean stays(String from) throws IOException {
        Socket socket = new Socket();
        open.add(socket);
        socket.bind(new InetSocketAddress(InetAddress.getByName(from), 0));
        socket.connect(new InetSocketAddress("127.0.0.1", tomcat.getConnector().getLocalPort()), 5_000);
        socket.setSoTimeout(30_000);
        try {
            // Whoever is let in is answered, and kept for more.
            socket.getOutputStream().write("GET / HTTP/1.1\r\nHost: x\r\n\r\n".getBytes(StandardCharsets.US_ASCII));
            return socket.getInputStream().read() >= 0;
        } catch (SocketException reset) {
            return false;
        }
    }

    private long staying(String from, int many) throws IOException {
        long stay = 0;
        for (int i = 0; i < many; i++) {
            stay += stays(from) ? 1 : 0;
        }
        return stay;
    }

    @Test
    void oneAddressHasHalfAndAnotherComesIn() throws Exception {
        start(false);
        assertThat(staying("127.0.0.1", MOST - 2)).isEqualTo(MOST / 2);
        assertThat(stays("127.0.0.2")).isTrue();
        for (Socket socket : open) {
            socket.close();
        }
        open.clear();
        await().atMost(Duration.ofSeconds(30)).until(() -> stays("127.0.0.1"));
    }

    @Test
    void whoPassesOnForAllHasAll() throws Exception {
        start(true);
        assertThat(staying("127.0.0.1", MOST - 2)).isEqualTo(MOST - 2);
    }
}
