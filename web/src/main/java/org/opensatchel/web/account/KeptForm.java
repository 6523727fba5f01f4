package org.opensatchel.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.io.Serializable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.MediaType;

/**
 * A form that was sent when its sender was signed out already: kept in the new session, so that nothing typed is lost.
 *
 * @param address where it was sent to
 * @param fields names and values in order
 */
record KeptForm(String address, List<Field> fields) implements Serializable {

    private static final String KEY = KeptForm.class.getName();
    private static final int MOST_CHARACTERS = 200_000;
    /** What is never kept: secrets, and what is made anew. */
    private static final Set<String> LEFT_OUT = Set.of("_csrf", "password", "before", "after", "again");

    /** One value that was typed. */
    record Field(String name, String value) implements Serializable {}

    /** Keeps the form of a request in its session, if it is one. */
    static boolean keep(HttpServletRequest request) {
        String type = request.getContentType() == null ? "" : request.getContentType();
        boolean form = request.getMethod().equals("POST") && type.startsWith(MediaType.APPLICATION_FORM_URLENCODED_VALUE)
                && !request.getRequestURI().startsWith(request.getContextPath() + "/sign-");
        // What another site had somebody send is none of theirs, and is not put before them as if it was.
        if (!form || !OwnPage.sent(request)) {
            return false;
        }
        List<Field> fields = new ArrayList<>();
        int length = 0;
        for (Map.Entry<String, String[]> parameter : request.getParameterMap().entrySet()) {
            for (String value : LEFT_OUT.contains(parameter.getKey()) ? new String[0] : parameter.getValue()) {
                length += parameter.getKey().length() + value.length();
                fields.add(new Field(parameter.getKey(), value));
            }
        }
        if (length > MOST_CHARACTERS) {
            return false;
        }
        request.getSession().setAttribute(KEY, new KeptForm(request.getRequestURI(), fields));
        return true;
    }

    static boolean isKept(HttpSession session) {
        return session != null && session.getAttribute(KEY) != null;
    }

    /** Takes the form out of the session. */
    static Optional<KeptForm> taken(HttpSession session) {
        Optional<KeptForm> form = Optional.ofNullable((KeptForm) session.getAttribute(KEY));
        session.removeAttribute(KEY);
        return form;
    }
}
