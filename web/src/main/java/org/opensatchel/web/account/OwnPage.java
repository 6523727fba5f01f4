package org.opensatchel.web.account;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.util.Locale;

/**
 * Whether a form was sent from a page of ours, as browsers say by themselves and no page can change: by Fetch Metadata
 * ({@code Sec-Fetch-Site}), or by the origin (RFC 6454) that goes with every form that is posted.
 */
final class OwnPage {

    private OwnPage() {
    }

    static boolean sent(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        if (site != null) {
            return site.equals("same-origin");
        }
        String origin = request.getHeader("Origin");
        if (origin == null || origin.equals("null")) {
            return false;
        }
        try {
            URI from = URI.create(origin);
            int port = from.getPort() >= 0 ? from.getPort() : "https".equals(from.getScheme()) ? 443 : 80;
            return request.getScheme().equals(from.getScheme()) && port == request.getServerPort() && from.getHost() != null
                    && from.getHost().toLowerCase(Locale.ROOT).equals(request.getServerName().toLowerCase(Locale.ROOT));
        } catch (IllegalArgumentException none) {
            return false;
        }
    }
}
