package org.opensatchel.web.account;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The sign-in page. */
@Controller
class SignInController {

    private final boolean demo;

    SignInController(@Value("${satchel.demo}") boolean demo) {
        this.demo = demo;
    }

    @GetMapping("/sign-in")
    String signIn(@RequestParam(required = false) String refused, @RequestParam(required = false) String out, Model model) {
        model.addAttribute("refused", refused != null);
        model.addAttribute("signedOut", out != null);
        model.addAttribute("demo", demo);
        return "account/sign-in";
    }
}
