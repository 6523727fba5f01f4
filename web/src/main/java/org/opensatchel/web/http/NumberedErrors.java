package org.opensatchel.web.http;

import io.micrometer.core.instrument.MeterRegistry;
import java.io.EOFException;
import java.net.SocketException;
import java.net.SocketTimeoutException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Map;
import org.apache.catalina.connector.ClientAbortException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.error.ErrorAttributeOptions;
import org.springframework.boot.webmvc.error.DefaultErrorAttributes;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.WebRequest;

/** Gives every error its words, and one of ours a number that stands on the page and in the log. */
@Component
class NumberedErrors extends DefaultErrorAttributes {

    private static final Logger LOG = LoggerFactory.getLogger(NumberedErrors.class);
    private static final String SIGNS = "23456789ABCDEFGHJKMNPQRSTUVWXYZ";
    private static final int LENGTH = 8;
    private static final String KEY = NumberedErrors.class.getName();
    private static final SecureRandom RANDOM = new SecureRandom();

    private final MeterRegistry metrics;

    NumberedErrors(MeterRegistry metrics) {
        this.metrics = metrics;
    }

    @Override
    public Map<String, Object> getErrorAttributes(WebRequest request, ErrorAttributeOptions options) {
        Map<String, Object> attributes = super.getErrorAttributes(request, options);
        int status = isGone(getError(request)) ? HttpStatus.REQUEST_TIMEOUT.value()
                : attributes.get("status") instanceof Integer number ? number : 500;
        attributes.put("words", ErrorWords.of(status));
        if (status < 500) {
            metrics.counter("satchel.refused", "status", Integer.toString(status)).increment();
        }
        if (status >= 500) {
            attributes.put("number", number(request, status, attributes.get("path")));
        }
        return attributes;
    }

    /** Whoever asked broke off, or sent nothing for too long: nobody reads the answer, and nothing of ours is wrong. */
    private static boolean isGone(Throwable fault) {
        return fault instanceof ClientAbortException
                || (fault instanceof SocketException || fault instanceof SocketTimeoutException || fault instanceof EOFException)
                        && isOfRequest(fault);
    }

    /** Connections of our own to other servers can break too. Those are not what the connector was reading when it was called last. */
    private static boolean isOfRequest(Throwable fault) {
        return Arrays.stream(fault.getStackTrace()).map(StackTraceElement::getClassName)
                .takeWhile(name -> !name.startsWith("org.opensatchel.") && !name.startsWith("org.apache.catalina.core."))
                .anyMatch(name -> name.startsWith("org.apache.coyote.") || name.startsWith("org.apache.tomcat.util.net."));
    }

    private String number(WebRequest request, int status, Object path) {
        Object known = request.getAttribute(KEY, RequestAttributes.SCOPE_REQUEST);
        if (known != null) {
            return known.toString();
        }
        String number = RANDOM.ints(LENGTH, 0, SIGNS.length()).mapToObj(i -> SIGNS.substring(i, i + 1))
                .collect(java.util.stream.Collectors.joining());
        Throwable fault = getError(request);
        if (status == 503) {
            LOG.error("fault {}: {} at {}: {}", number, status, path, fault == null ? "" : fault.toString());
        } else {
            LOG.error("fault {}: {} at {}", number, status, path, fault);
        }
        request.setAttribute(KEY, number, RequestAttributes.SCOPE_REQUEST);
        return number;
    }
}
