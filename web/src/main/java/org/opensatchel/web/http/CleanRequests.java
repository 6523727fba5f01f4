package org.opensatchel.web.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Turns away what no page of ours sends: control characters in a parameter. Uploads are not looked at here. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
class CleanRequests extends OncePerRequestFilter {

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getServletPath().equals("/error")) {
            // The page of errors is nobody's to ask for.
            response.sendError(HttpStatus.NOT_FOUND.value());
        } else if (isClean(request)) {
            chain.doFilter(request, response);
        } else {
            response.sendError(HttpStatus.BAD_REQUEST.value());
        }
    }

    private static boolean isClean(HttpServletRequest request) {
        for (Map.Entry<String, String[]> parameter : request.getParameterMap().entrySet()) {
            if (hasControl(parameter.getKey()) || Arrays.stream(parameter.getValue()).anyMatch(CleanRequests::hasControl)) {
                return false;
            }
        }
        return true;
    }

    private static boolean hasControl(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if ((c < ' ' && c != '\n' && c != '\r' && c != '\t') || (Character.isSurrogate(c) && !isPair(text, i))) {
                return true;
            }
        }
        return false;
    }

    /** Half a character cannot be stored. */
    private static boolean isPair(String text, int i) {
        return Character.isHighSurrogate(text.charAt(i)) ? i + 1 < text.length() && Character.isLowSurrogate(text.charAt(i + 1))
                : i > 0 && Character.isHighSurrogate(text.charAt(i - 1));
    }
}
