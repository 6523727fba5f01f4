package org.opensatchel.formats.css;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/**
 * Sources that style sheets are made of, in the languages that extend CSS: what they import, under the names such imports may have, and
 * their URLs. Imports may also be looked up where a program is told to, and URLs count from the style sheet that is made: what does not
 * resolve is a guess.
 */
final class StyleSourceLinks implements LinkReader {

    @Override
    public boolean recognises(String extension, Head head) {
        return Css.SOURCE.hasEnding(extension);
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        String text = TextDecoding.decode(bytes);
        LineIndex lines = new LineIndex(text);
        String extension = document.path().extension();
        new CssScan(withoutLineComments(text), (offset, url, alternatives) -> {
            // What is put in when it is made, what comes from a package, and what the language itself has.
            boolean open = url.indexOf('$') >= 0 || url.indexOf('@') >= 0 || url.startsWith("~") || url.startsWith("sass:");
            if (!open) {
                sink.link(lines.at(offset), url, Notation.WEB).standing(Link.Standing.GUESSED).alternatives(alternatives)
                        .also(names(url, extension)).add();
            }
        }).read();
    }

    /** The files that an import may mean: with the language's ending, as a part that is no sheet of its own, or a folder's index. */
    private static List<String> names(String url, String extension) {
        int slash = url.lastIndexOf('/') + 1;
        String folder = url.substring(0, slash);
        String name = url.substring(slash);
        List<String> out = new ArrayList<>();
        if (name.indexOf('.') < 0) {
            for (String ending : List.of(extension, "scss", "sass", "less", "css")) {
                out.add(folder + name + "." + ending);
                out.add(folder + "_" + name + "." + ending);
                out.add(url + "/_index." + ending);
                out.add(url + "/index." + ending);
            }
        } else {
            out.add(folder + "_" + name);
            out.add(url + "." + extension);
            out.add(folder + "_" + name + "." + extension);
        }
        return out.stream().distinct().toList();
    }

    /** The text with blanks in place of comments to the end of a line; two slashes in an address are none. */
    private static String withoutLineComments(String text) {
        StringBuilder out = new StringBuilder(text);
        char quote = 0;
        int depth = 0;
        for (int i = 0; i < out.length(); i++) {
            char c = out.charAt(i);
            if (quote != 0) {
                quote = c == quote || c == '\n' ? 0 : quote;
            } else if (c == '"' || c == '\'') {
                quote = c;
            } else if (c == '(' || c == ')') {
                depth = Math.max(0, depth + (c == '(' ? 1 : -1));
            } else if (c == '\n') {
                depth = 0;
            } else if (c == '/' && i + 1 < out.length() && out.charAt(i + 1) == '/' && depth == 0) {
                while (i < out.length() && out.charAt(i) != '\n') {
                    out.setCharAt(i++, ' ');
                }
            }
        }
        return out.toString();
    }
}
