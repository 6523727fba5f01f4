package org.opensatchel.web.account;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Who may reach which address, and what a page may load: only what this application ships. Of that, hashing is WebAssembly. */
@Configuration
class SecurityConfiguration {

    private static final String CONTENT_POLICY = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; img-src 'self' data:; font-src 'self'; "
            + "connect-src 'self'; worker-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    @Bean
    @ConditionalOnWebApplication
    SecurityFilterChain security(HttpSecurity http, @Value("${management.server.port:}") String managementPort) throws Exception {
        return http
                .authorizeHttpRequests(requests -> requests
                        .requestMatchers("/sign-in", "/welcome/*", "/slips/*", "/slips/*/slip.pdf", "/css/**", "/js/**", "/fonts/**",
                                "/webjars/**", "/favicon.svg", "/files/**",
                                "/livez", "/readyz", "/actuator/health", "/actuator/health/**", "/error")
                        .permitAll()
                        .requestMatchers(request -> request.getRequestURI().startsWith("/actuator/")
                                && String.valueOf(request.getLocalPort()).equals(managementPort))
                        .permitAll()
                        .requestMatchers("/actuator/**").denyAll()
                        .anyRequest().authenticated())
                .formLogin(form -> form.loginPage("/sign-in").loginProcessingUrl("/sign-in").successHandler(new BackToWork())
                        .failureHandler(new SignInFailure()).permitAll())
                .csrf(csrf -> csrf.requireCsrfProtectionMatcher(SecurityConfiguration::needsToken))
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .exceptionHandling(handling -> handling.accessDeniedHandler(SecurityConfiguration::denied))
                .headers(headers -> headers
                        .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))
                .build();
    }

    /**
     * Whatever changes something, but for files that a form sends without script: their bodies are read as they come, where no token can be
     * looked for, and none is put into their address; that a page of ours sent them is known by what the browser says.
     */
    private static boolean needsToken(HttpServletRequest request) {
        String type = request.getContentType() == null ? "" : request.getContentType();
        boolean files = request.getMethod().equals("POST") && type.startsWith(MediaType.MULTIPART_FORM_DATA_VALUE);
        return CsrfFilter.DEFAULT_CSRF_MATCHER.matches(request) && !(files && OwnPage.sent(request));
    }

    /** Most often a form of a page that was open when its session ended: whoever sent it signs in and sends it again. */
    private static void denied(HttpServletRequest request, HttpServletResponse response, AccessDeniedException why) throws IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        boolean signedIn = who != null && who.getPrincipal() instanceof SignedIn;
        if (signedIn || request.getHeader("X-CSRF-TOKEN") != null) {
            response.sendError(HttpStatus.FORBIDDEN.value());
            return;
        }
        response.sendRedirect(request.getContextPath() + "/sign-in?" + (KeptForm.keep(request) ? "kept" : "ended"));
    }

    /** To where somebody was going, with what they had typed. */
    private static final class BackToWork extends SavedRequestAwareAuthenticationSuccessHandler {
        @Override
        public void onAuthenticationSuccess(HttpServletRequest request, HttpServletResponse response, Authentication authentication)
                throws ServletException, IOException {
            if (KeptForm.isKept(request.getSession(false))) {
                clearAuthenticationAttributes(request);
                getRedirectStrategy().sendRedirect(request, response, "/send-again");
            } else {
                super.onAuthenticationSuccess(request, response, authentication);
            }
        }
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }
}
