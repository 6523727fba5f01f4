package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;

import io.micrometer.core.instrument.simple.SimpleMeterRegistry;
import jakarta.servlet.RequestDispatcher;
import java.io.EOFException;
import java.io.IOException;
import java.net.ConnectException;
import java.net.SocketException;
import java.net.SocketTimeoutException;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.catalina.connector.ClientAbortException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.boot.web.error.ErrorAttributeOptions;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.web.context.request.ServletWebRequest;

/** Errors of ours have a number; people who broke off are only counted. */
class NumberedErrorsTest {

    private final SimpleMeterRegistry metrics = new SimpleMeterRegistry();

    private Map<String, Object> told(Throwable fault) {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", "/courses");
        request.setAttribute(RequestDispatcher.ERROR_STATUS_CODE, 500);
        request.setAttribute(RequestDispatcher.ERROR_EXCEPTION, fault);
        return new NumberedErrors(metrics).getErrorAttributes(new ServletWebRequest(request), ErrorAttributeOptions.defaults());
    }

    /** A fault that passed through what reads requests. */
    private static <T extends Throwable> T reading(T fault) {
        fault.setStackTrace(new StackTraceElement[]{new StackTraceElement("sun.nio.ch.SocketDispatcher", "read", null, 1),
                new StackTraceElement("org.apache.tomcat.util.net.NioEndpoint$NioSocketWrapper", "fillReadBuffer", null, 1)});
        return fault;
    }

    static Stream<Throwable> gone() {
        return Stream.of(reading(new SocketTimeoutException()), reading(new SocketException("Connection reset")),
                reading(new EOFException()),
                new ClientAbortException(new IOException("Broken pipe")));
    }

    @ParameterizedTest
    @MethodSource("gone")
    void whoBrokeOffIsCounted(Throwable fault) {
        assertThat(told(fault)).doesNotContainKey("number");
        assertThat(metrics.counter("satchel.refused", "status", "408").count()).isEqualTo(1);
    }

    /** A fault of a connection of ours to somebody else, while a request is answered. */
    private static <T extends Throwable> T calling(T fault) {
        fault.setStackTrace(new StackTraceElement[]{new StackTraceElement("sun.nio.ch.Net", "connect", null, 1),
                new StackTraceElement("org.opensatchel.web.mail.MailCarrier", "give", null, 1),
                new StackTraceElement("org.apache.catalina.core.ApplicationFilterChain", "doFilter", null, 1),
                new StackTraceElement("org.apache.coyote.http11.Http11Processor", "service", null, 1),
                new StackTraceElement("org.apache.tomcat.util.net.NioEndpoint$SocketProcessor", "doRun", null, 1)});
        return fault;
    }

    static Stream<Throwable> ours() {
        return Stream.of(new IOException("Input/output error"), new IllegalStateException(new SocketTimeoutException()),
                new SocketException("Connection refused"), calling(new ConnectException("Connection refused")),
                reading(new StackOverflowError()));
    }

    @ParameterizedTest
    @MethodSource("ours")
    void whatIsOursIsNumbered(Throwable fault) {
        assertThat(told(fault).get("number")).asString().hasSize(8);
        assertThat(metrics.find("satchel.refused").counters()).isEmpty();
    }
}
