package org.opensatchel.web.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/** Ends sessions that were begun with a password that is no longer the one: whoever knew the old one is out, wherever they are. */
@Component
@Order(0)
class EndedSessions extends OncePerRequestFilter {

    private final AccountService accounts;

    EndedSessions(AccountService accounts) {
        this.accounts = accounts;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String path = request.getServletPath();
        return path.startsWith("/css/") || path.startsWith("/js/") || path.startsWith("/fonts/") || path.startsWith("/webjars/")
                || path.startsWith("/files/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null && who.getPrincipal() instanceof SignedIn me && !isCurrent(me)) {
            SecurityContextHolder.clearContext();
            if (request.getSession(false) != null) {
                request.getSession(false).invalidate();
            }
            if (request.getHeader("X-CSRF-TOKEN") != null) {
                response.sendError(HttpStatus.FORBIDDEN.value());
            } else {
                response.sendRedirect(request.getContextPath() + "/sign-in?ended");
            }
            return;
        }
        chain.doFilter(request, response);
    }

    /** A database that is away says nothing of anybody; the page will tell. */
    private boolean isCurrent(SignedIn me) {
        try {
            return accounts.isCurrent(me);
        } catch (DataAccessException | TransactionException away) {
            return true;
        }
    }
}
