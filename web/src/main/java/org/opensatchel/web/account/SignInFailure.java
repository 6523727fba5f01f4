package org.opensatchel.web.account;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.InternalAuthenticationServiceException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.authentication.AuthenticationFailureHandler;

/** What is told when somebody could not sign in: a wrong password, a wait, or that it is our fault and says nothing of the password. */
final class SignInFailure implements AuthenticationFailureHandler {

    @Override
    public void onAuthenticationFailure(HttpServletRequest request, HttpServletResponse response, AuthenticationException failure)
            throws IOException, ServletException {
        if (failure instanceof InternalAuthenticationServiceException) {
            response.sendError(HttpStatus.SERVICE_UNAVAILABLE.value());
        } else if (failure instanceof TooManyTries tries) {
            response.sendRedirect(request.getContextPath() + "/sign-in?wait=" + tries.seconds());
        } else {
            response.sendRedirect(request.getContextPath() + "/sign-in?refused");
        }
    }
}
