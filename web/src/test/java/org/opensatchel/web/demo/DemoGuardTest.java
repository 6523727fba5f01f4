package org.opensatchel.web.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.InetAddress;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.storage.SatchelProperties;
import org.springframework.boot.web.server.autoconfigure.ServerProperties;
import org.springframework.util.unit.DataSize;

/** The demo's password is known to everybody. */
class DemoGuardTest {

    @Test
    void theDemoIsServedOnThisMachineAlone() throws Exception {
        SatchelProperties demo = new SatchelProperties(null, null, DataSize.ofMegabytes(1), DataSize.ofMegabytes(1), true, null, null,
                null);
        SatchelProperties school = new SatchelProperties(null, null, DataSize.ofMegabytes(1), DataSize.ofMegabytes(1), false, null, null,
                null);
        ServerProperties server = new ServerProperties();
        server.setAddress(InetAddress.getByName("0.0.0.0"));
        assertThatThrownBy(() -> new DemoGuard(demo, server)).hasMessageContaining("known to everybody");
        assertThat(new DemoGuard(school, server)).isNotNull();
        server.setAddress(InetAddress.getByName("127.0.0.1"));
        assertThat(new DemoGuard(demo, server)).isNotNull();
    }
}
