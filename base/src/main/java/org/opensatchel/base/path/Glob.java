package org.opensatchel.base.path;

import com.google.re2j.Pattern;

/** Which files a rule reads: {@code *} and {@code ?} stand for anything but a slash, {@code **} for anything; letter case is overlooked. */
public final class Glob {

    private final Pattern pattern;

    public Glob(String text) {
        StringBuilder regex = new StringBuilder();
        String glob = NameFolding.folded(text.startsWith("/") ? text.substring(1) : text);
        for (int i = 0; i < glob.length(); i++) {
            char c = glob.charAt(i);
            if (glob.startsWith("**/", i)) {
                // At a folder's edge also no folder at all: **/a.scn is a.scn too.
                regex.append("(?:.*/)?");
                i += 2;
            } else if (glob.startsWith("**", i)) {
                regex.append(".*");
                i++;
            } else {
                regex.append(c == '*' ? "[^/]*" : c == '?' ? "[^/]" : Pattern.quote(String.valueOf(c)));
            }
        }
        pattern = Pattern.compile("(?s)" + regex);
    }

    public boolean takes(ProjectPath path) {
        return pattern.matches(NameFolding.folded(path.text()));
    }
}
