package org.opensatchel.web.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.Charset;
import java.time.Duration;
import java.util.Locale;
import org.apache.catalina.connector.ClientAbortException;
import org.opensatchel.web.errand.Places;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.WebUtils;

/**
 * Answers that are larger than what the system holds for a connection keep a thread until they are read: of all only so many go out at once, of
 * one person a few, and one that hardly moves is ended. Pages and what they load are never so large.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 5)
class LargeAnswers extends OncePerRequestFilter {

    /** What the system takes of an answer at once, and what a text comes to before it is compressed. */
    private static final long PLAIN = Sender.BUFFER - 8_192L;
    private static final long COMPRESSED = 4 * PLAIN;
    private static final int MOST = 60;
    private static final int MOST_OF_ONE = 6;
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final long LEAST_A_SECOND = 2_048;

    private final Places<String> places = new Places<>(MOST, MOST_OF_ONE);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        // A dispatch after a wait comes with what was wrapped before it: counted twice, a place would be taken that nobody gives back.
        Counted before = WebUtils.getNativeResponse(response, Counted.class);
        Counted counted = before != null ? before : new Counted(request, response, sender(request), acceptsCompressed(request));
        try {
            chain.doFilter(request, before != null ? response : counted);
            counted.writePage();
        } catch (ClientAbortException gone) {
            // Whoever asked is gone, or is not answered any more.
            logger.debug("an answer was given up", gone);
        } finally {
            counted.giveBack();
        }
    }

    /** A page that a worker was waited for is written in a dispatch of its own. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    private static String sender(HttpServletRequest request) {
        return request.getSession(false) == null ? request.getRemoteAddr() : request.getSession(false).getId();
    }

    private static boolean acceptsCompressed(HttpServletRequest request) {
        String accepted = request.getHeader("Accept-Encoding");
        return accepted != null && accepted.toLowerCase(Locale.ROOT).contains("gzip");
    }

    /** Knows how much was written of an answer, and how fast. */
    private final class Counted extends HttpServletResponseWrapper {
        private final HttpServletRequest request;
        private final String sender;
        private final boolean compressed;
        private ServletOutputStream stream;
        private boolean placed;
        private long large;
        private long began;
        private ByteArrayOutputStream page;
        private PrintWriter writer;
        private boolean refused;

        Counted(HttpServletRequest request, HttpServletResponse response, String sender, boolean compressed) {
            super(response);
            this.request = request;
            this.sender = sender;
            this.compressed = compressed;
        }

        @Override
        public ServletOutputStream getOutputStream() throws IOException {
            if (stream == null) {
                stream = new Stream(super.getOutputStream());
            }
            return stream;
        }

        /** A page is made as a whole before any of it is written: no reader, however slow, holds up whoever makes it. */
        @Override
        public PrintWriter getWriter() throws IOException {
            if (writer == null) {
                page = new ByteArrayOutputStream(1 << 14);
                writer = new PrintWriter(new OutputStreamWriter(page, Charset.forName(getCharacterEncoding())), false);
            }
            return writer;
        }

        @Override
        public void flushBuffer() throws IOException {
            if (writer == null) {
                super.flushBuffer();
            }
        }

        @Override
        public void resetBuffer() {
            super.resetBuffer();
            writer = null;
            page = null;
        }

        @Override
        public void reset() {
            super.reset();
            writer = null;
            page = null;
        }

        @Override
        public void sendError(int status) throws IOException {
            refused = true;
            super.sendError(status);
        }

        @Override
        public void sendError(int status, String why) throws IOException {
            refused = true;
            super.sendError(status, why);
        }

        void writePage() throws IOException {
            if (writer == null || refused || isCommitted()) {
                return;
            }
            writer.flush();
            if (page.size() > 0) {
                setContentLength(page.size());
                page.writeTo(getOutputStream());
            }
        }

        private long most() {
            String type = getContentType() == null ? "" : getContentType();
            boolean text = type.startsWith("text/") || type.contains("javascript") || type.contains("json") || type.contains("svg");
            return compressed && text ? COMPRESSED : PLAIN;
        }

        void wrote(long all) throws IOException {
            if (all <= most()) {
                return;
            }
            if (!placed) {
                if (!places.take(sender)) {
                    throw new ClientAbortException("so many large answers go out already");
                }
                placed = true;
                Turns.end(request);
                began = System.nanoTime();
                large = all;
            }
            Duration since = Duration.ofNanos(System.nanoTime() - began);
            if (since.compareTo(PATIENCE) > 0 && all - large < since.toSeconds() * LEAST_A_SECOND) {
                throw new ClientAbortException("an answer hardly moved");
            }
        }

        void giveBack() {
            if (placed) {
                placed = false;
                places.giveBack(sender);
            }
        }

        private final class Stream extends ServletOutputStream {
            private final ServletOutputStream out;
            private long written;

            Stream(ServletOutputStream out) {
                this.out = out;
            }

            @Override
            public void write(int one) throws IOException {
                wrote(++written);
                out.write(one);
            }

            @Override
            public void write(byte[] bytes, int from, int length) throws IOException {
                written += length;
                wrote(written);
                out.write(bytes, from, length);
            }

            @Override
            public void flush() throws IOException {
                out.flush();
            }

            @Override
            public void close() throws IOException {
                out.close();
            }

            @Override
            public boolean isReady() {
                return out.isReady();
            }

            @Override
            public void setWriteListener(WriteListener listener) {
                out.setWriteListener(listener);
            }
        }
    }
}
