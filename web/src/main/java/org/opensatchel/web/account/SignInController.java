package org.opensatchel.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.Optional;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.account.AccountService.AccountView;
import org.opensatchel.web.text.Speech;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Signing in, choosing a first password by a link, and changing it. */
@Controller
class SignInController {

    private final AccountService accounts;
    private final boolean demo;

    SignInController(AccountService accounts, @Value("${satchel.demo}") boolean demo) {
        this.accounts = accounts;
        this.demo = demo;
    }

    @GetMapping("/sign-in")
    String signIn(@RequestParam(required = false) String refused, @RequestParam(required = false) String out,
            @RequestParam(required = false) String kept,
            @RequestParam(required = false) String ended, @RequestParam(required = false) String ready,
            @RequestParam(name = "wait", required = false) String seconds, Model model) {
        model.addAttribute("refused", refused != null);
        model.addAttribute("signedOut", out != null);
        model.addAttribute("kept", kept != null);
        model.addAttribute("ended", ended != null);
        model.addAttribute("ready", ready != null);
        model.addAttribute("wait", seconds == null || !seconds.matches("[0-9]{1,4}") ? null : spoken(Integer.parseInt(seconds)));
        model.addAttribute("demo", demo);
        return "account/sign-in";
    }

    private static String spoken(int seconds) {
        int minutes = (seconds + 59) / 60;
        return Speech.say("sign-in.span", seconds < 90 ? seconds : 0, minutes);
    }

    /** The form that was sent after its session had ended, to be sent again. */
    @GetMapping("/send-again")
    String again(HttpSession session, Model model) {
        Optional<KeptForm> form = KeptForm.taken(session);
        model.addAttribute("form", form.orElse(null));
        return form.isPresent() ? "account/send-again" : "redirect:/";
    }

    @GetMapping("/welcome/{token}")
    String welcome(@PathVariable String token, Model model) {
        model.addAttribute("account", accounts.linked(token).orElse(null));
        model.addAttribute("token", token);
        model.addAttribute("shortest", AccountService.SHORTEST_PASSWORD);
        return "account/welcome";
    }

    @PostMapping("/welcome/{token}")
    String choose(@PathVariable String token, @RequestParam String password, Model model) {
        Optional<AccountView> account = accounts.linked(token);
        Optional<String> wrong = accounts.choose(token, password);
        if (wrong.isEmpty()) {
            return "redirect:/sign-in?ready";
        }
        model.addAttribute("wrong", wrong.get());
        model.addAttribute("account", account.orElse(null));
        model.addAttribute("token", token);
        model.addAttribute("shortest", AccountService.SHORTEST_PASSWORD);
        return "account/welcome";
    }

    @GetMapping("/account")
    String account(@AuthenticationPrincipal SignedIn me, Model model) {
        model.addAttribute("login", me.getUsername());
        model.addAttribute("language", accounts.language(me.accountId()).orElse(""));
        model.addAttribute("languages", Words.languages());
        model.addAttribute("shortest", AccountService.SHORTEST_PASSWORD);
        return "account/account";
    }

    @PostMapping("/account/language")
    String language(@RequestParam String language, @AuthenticationPrincipal SignedIn me, HttpSession session, RedirectAttributes redirect) {
        accounts.speak(me.accountId(), language);
        session.removeAttribute(Speech.OF_SESSION);
        redirect.addFlashAttribute("saidLanguage", true);
        return "redirect:/account";
    }

    /** Whoever changed a password stays signed in where they did, and nowhere else. */
    private static void stay(SignedIn me, HttpServletRequest request, HttpServletResponse response) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        me.eraseCredentials();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(me, null, me.getAuthorities()));
        SecurityContextHolder.setContext(context);
        request.changeSessionId();
        new HttpSessionSecurityContextRepository().saveContext(context, request, response);
    }

    @PostMapping("/account/password")
    String change(@RequestParam String before, @RequestParam String after, @AuthenticationPrincipal SignedIn me, HttpServletRequest request,
            HttpServletResponse response, RedirectAttributes redirect) {
        Optional<String> wrong = accounts.change(me.accountId(), before, after, request.getRemoteAddr());
        if (wrong.isEmpty()) {
            stay(accounts.loadUserByUsername(me.getUsername()), request, response);
        }
        redirect.addFlashAttribute(wrong.isPresent() ? "refused" : "told", wrong.orElse(Speech.say("account.changed")));
        return "redirect:/account";
    }
}
