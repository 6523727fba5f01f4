package org.opensatchel.web.http;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.MediaType;

/** A request whose body has been read already; the fields of a form (URL Standard, section 5.1) are taken from it. */
final class ReadRequest extends HttpServletRequestWrapper {

    private final byte[] body;
    private final Map<String, String[]> parameters;

    ReadRequest(HttpServletRequest request, byte[] body) {
        super(request);
        this.body = body;
        Map<String, List<String>> fields = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, values) -> fields.put(name, new ArrayList<>(List.of(values))));
        if (isForm(request)) {
            addFields(new String(body, StandardCharsets.UTF_8), fields);
        }
        Map<String, String[]> all = new LinkedHashMap<>();
        fields.forEach((name, values) -> all.put(name, values.toArray(String[]::new)));
        this.parameters = Collections.unmodifiableMap(all);
    }

    /** How many fields a body would come to; none for what is no form. */
    static long fields(HttpServletRequest request, byte[] body) {
        if (!isForm(request)) {
            return 0;
        }
        long count = 1;
        for (byte one : body) {
            count += one == '&' ? 1 : 0;
        }
        return count;
    }

    private static boolean isForm(HttpServletRequest request) {
        String type = request.getContentType() == null ? "" : request.getContentType();
        return type.startsWith(MediaType.APPLICATION_FORM_URLENCODED_VALUE);
    }

    private static void addFields(String form, Map<String, List<String>> fields) {
        for (String pair : form.isEmpty() ? new String[0] : form.split("&")) {
            int is = pair.indexOf('=');
            String name = decoded(is < 0 ? pair : pair.substring(0, is));
            fields.computeIfAbsent(name, key -> new ArrayList<>()).add(is < 0 ? "" : decoded(pair.substring(is + 1)));
        }
    }

    private static String decoded(String text) {
        try {
            return URLDecoder.decode(text, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException asItIs) {
            return text;
        }
    }

    @Override
    public String getParameter(String name) {
        String[] values = parameters.get(name);
        return values == null ? null : values[0];
    }

    @Override
    public Map<String, String[]> getParameterMap() {
        return parameters;
    }

    @Override
    public Enumeration<String> getParameterNames() {
        return Collections.enumeration(parameters.keySet());
    }

    @Override
    public String[] getParameterValues(String name) {
        return parameters.get(name);
    }

    @Override
    public ServletInputStream getInputStream() {
        ByteArrayInputStream bytes = new ByteArrayInputStream(body);
        return new ServletInputStream() {
            @Override
            public int read() {
                return bytes.read();
            }

            @Override
            public boolean isFinished() {
                return bytes.available() == 0;
            }

            @Override
            public boolean isReady() {
                return true;
            }

            @Override
            public void setReadListener(ReadListener listener) {
                throw new UnsupportedOperationException("nothing here reads without waiting");
            }
        };
    }

    @Override
    public BufferedReader getReader() throws IOException {
        return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }
}
