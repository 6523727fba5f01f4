package org.opensatchel.web.mail;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.configuration.GreenMailConfiguration;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.Header;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mail.javamail.JavaMailSenderImpl;

/** Mails reach a mail server whole, and what became of them is told as it is. */
class SmtpCarrierTest {

    private final GreenMail server = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP))
            .withConfiguration(GreenMailConfiguration.aConfig().withDisabledAuthentication());

    @BeforeEach
    void start() {
        server.start();
    }

    @AfterEach
    void stop() {
        server.stop();
    }

    private static SmtpCarrier carrier(int port) {
        JavaMailSenderImpl sender = new JavaMailSenderImpl();
        sender.setHost("127.0.0.1");
        sender.setPort(port);
        sender.getJavaMailProperties().put("mail.smtp.timeout", "3000");
        sender.getJavaMailProperties().put("mail.smtp.connectiontimeout", "3000");
        return new SmtpCarrier(sender, "desk@harrowgate.example");
    }

    private static MailView mail(String address) {
        return mail(address, "MOV 120: Séafra’s ident", "Hello Séafra,\n\n1. Śluza → rename “Lantern.png”\n");
    }

    private static MailView mail(String address, String subject, String body) {
        return new MailView(7, Letter.Kind.SLIP, 3, address, subject, body, MailView.State.SENDING, null, 1, Instant.EPOCH, null,
                Instant.EPOCH);
    }

    @Test
    void aMailArrivesAsItWasWritten() throws Exception {
        assertThat(carrier(server.getSmtp().getPort()).give(mail("seafra@harrowgate.example"))).isEqualTo(MailCarrier.Given.TAKEN);
        MimeMessage[] arrived = server.getReceivedMessages();
        assertThat(arrived).hasSize(1);
        assertThat(arrived[0].getSubject()).isEqualTo("MOV 120: Séafra’s ident");
        assertThat(arrived[0].getContent().toString().replace("\r\n", "\n").strip()).isEqualTo(mail("").body().strip());
        assertThat(arrived[0].getHeader("Auto-Submitted")).containsExactly("auto-generated");
    }

    @Test
    void aServerThatIsAwayIsAskedAgain() throws IOException {
        int nobody;
        try (ServerSocket free = new ServerSocket(0)) {
            nobody = free.getLocalPort();
        }
        assertThat(carrier(nobody).give(mail("seafra@harrowgate.example"))).isEqualTo(MailCarrier.Given.SERVER_AWAY);
    }

    @Test
    void anAddressThatIsNoneIsNotTriedAgain() {
        assertThat(carrier(server.getSmtp().getPort()).give(mail("no address at all"))).isEqualTo(MailCarrier.Given.ADDRESS_REFUSED);
        assertThat(server.getReceivedMessages()).isEmpty();
    }

    /** What stands in a roster or a title begins no header, no second recipient and no second mail. */
    @ParameterizedTest
    @ValueSource(strings = {"seafra@harrowgate.example\r\nBcc: all@harrowgate.example", "seafra@harrowgate.example\nX: y",
            "seafra@harrowgate.example, all@harrowgate.example", "seafra@harrowgate.example> RCPT TO:<all@harrowgate.example",
            "Séafra <seafra@harrowgate.example>, all@harrowgate.example", "seafra@harrowgate.example\u0000all@harrowgate.example"})
    void anAddressOfTwoReachesNobody(String address) {
        assertThat(carrier(server.getSmtp().getPort()).give(mail(address))).isEqualTo(MailCarrier.Given.ADDRESS_REFUSED);
        assertThat(server.getReceivedMessages()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"Ident\r\nBcc: all@harrowgate.example", "Ident\r\n\r\nAnother text", "Ident\rX: y", "Ident\u0085X: y",
            "Ident\u2028X: y", "=?utf-8?B?SWRlbnQKQmNjOiBhQGIuZXhhbXBsZQ==?="})
    void aTitleBeginsNoHeader(String subject) throws Exception {
        carrier(server.getSmtp().getPort()).give(mail("seafra@harrowgate.example", subject, "Hello\r\n.\r\nMAIL FROM:<a@b.example>\r\n"));
        MimeMessage[] arrived = server.getReceivedMessages();
        assertThat(arrived).hasSize(1);
        assertThat(arrived[0].getAllRecipients()).hasSize(1);
        assertThat(java.util.Collections.list(arrived[0].getAllHeaders()).stream().map(Header::getName).toList())
                .doesNotContain("Bcc", "X");
        assertThat(arrived[0].getContent().toString()).contains("Hello").contains("MAIL FROM").doesNotContain("Another text");
    }

    /** The server took the text and the line went dead before it said so: nobody knows. */
    @Test
    void aMailOfWhichNobodyKnowsIsNotSentTwice() throws IOException {
        try (ServerSocket half = new ServerSocket(0)) {
            CompletableFuture.runAsync(() -> halfAServer(half));
            assertThat(carrier(half.getLocalPort()).give(mail("seafra@harrowgate.example"))).isEqualTo(MailCarrier.Given.UNSURE);
        }
    }

    private static void halfAServer(ServerSocket half) {
        try (Socket client = half.accept()) {
            var in = new java.io.BufferedReader(new java.io.InputStreamReader(client.getInputStream(), StandardCharsets.UTF_8));
            var out = client.getOutputStream();
            out.write("220 half\r\n".getBytes(StandardCharsets.US_ASCII));
            for (String line = in.readLine(); line != null && !line.equals("."); line = in.readLine()) {
                boolean command = line.matches("(?i)(EHLO|HELO|MAIL|RCPT|RSET).*");
                if (command || line.equalsIgnoreCase("DATA")) {
                    out.write((line.equalsIgnoreCase("DATA") ? "354 go on\r\n" : "250 ok\r\n").getBytes(StandardCharsets.US_ASCII));
                    out.flush();
                }
            }
        } catch (IOException gone) {
            // The other side hung up: the test is over.
        }
    }
}
