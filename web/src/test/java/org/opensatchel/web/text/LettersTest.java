package org.opensatchel.web.text;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.web.RunningApplication;

/** Letters of names as they are drawn: each as one sign, whatever marks it has, so that no mark stands on its neighbour. */
class LettersTest extends RunningApplication {

    private static final String NAMES = "Nguyễn Ế Độ Phượng Ẩn Séafra Åsa Sørensen Łucja Þóra Ðuro Œuvrard Žižka Ștefan Ārija Gőz Ğül Ńdi Ǖ ạ ỳ e\u0302\u0303 O\u0323\u0302";

    @ParameterizedTest
    @ValueSource(strings = {"name", "soft"})
    void everyLetterIsOneSign(String face) {
        Page page = unknown();
        goTo(page, address("/sign-in"));
        List<String> letters = NAMES.codePoints().filter(point -> !Character.isWhitespace(point)).collect(ArrayList::new,
                LettersTest::gather, List::addAll);
        page.evaluate("([face, letters]) => document.querySelector('main').replaceChildren(...letters.map((one, at) => {"
                + "const p = document.createElement('p'); p.className = face; p.id = 'letter-' + at; p.textContent = one; return p; }))",
                List.of(face, letters));
        page.evaluate("() => document.fonts.ready.then(() => true)");
        CDPSession session = page.context().newCDPSession(page);
        session.send("DOM.enable");
        session.send("CSS.enable");
        int root = session.send("DOM.getDocument").getAsJsonObject("root").get("nodeId").getAsInt();
        List<String> torn = new ArrayList<>();
        for (int i = 0; i < letters.size(); i++) {
            JsonObject which = new JsonObject();
            which.addProperty("nodeId", root);
            which.addProperty("selector", "#letter-" + i);
            JsonObject node = new JsonObject();
            node.add("nodeId", session.send("DOM.querySelector", which).get("nodeId"));
            int signs = 0;
            for (JsonElement font : session.send("CSS.getPlatformFontsForNode", node).getAsJsonArray("fonts")) {
                signs += font.getAsJsonObject().get("glyphCount").getAsInt();
            }
            if (signs != 1) {
                torn.add(letters.get(i) + " as " + signs);
            }
        }
        assertThat(letters).hasSizeGreaterThan(80);
        assertThat(torn).isEmpty();
    }

    /** Marks belong to the letter before them. */
    private static void gather(ArrayList<String> letters, int point) {
        if (Character.getType(point) == Character.NON_SPACING_MARK) {
            letters.set(letters.size() - 1, letters.get(letters.size() - 1) + Character.toString(point));
        } else {
            letters.add(Character.toString(point));
        }
    }
}
