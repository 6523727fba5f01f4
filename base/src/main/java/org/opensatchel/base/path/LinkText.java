package org.opensatchel.base.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Tells the form of a link from its text and takes it apart, for Windows, macOS and Linux alike, whatever the host is.
 * It classifies and never throws.
 */
public final class LinkText {

    private static final Set<String> NETWORK_SCHEMES = Set.of("http", "https", "ftp", "ftps", "sftp", "rtsp", "rtsps", "rtmp", "rtmps",
            "ws", "wss", "dav", "davs", "webdav", "mms", "srt", "udp", "rtp", "s3", "gs");
    /** Schemes whose addresses name a share of the house, not something on the web. */
    private static final Set<String> SHARE_SCHEMES = Set.of("smb", "afp", "nfs", "cifs");
    /** Top folders under which other disks appear, with how many names make up one disk. */
    private static final List<MountPoint> MOUNT_POINTS = List.of(
            new MountPoint(List.of("run", "media"), 2), new MountPoint(List.of("Volumes"), 1), new MountPoint(List.of("media"), 2),
            new MountPoint(List.of("mnt"), 1));
    private static final Pattern DEVICE = Pattern.compile("(?i)(?:\\\\\\\\|//)[?.][\\\\/](?:(UNC[\\\\/])|(?=[a-z]:[\\\\/]))");
    /** How desktops show a share as if it were a folder. */
    private static final Pattern SHOWN_SHARE = Pattern.compile("[a-z]+-share:(?:domain=[^,]*,)?server=([^,]+),share=([^,]+).*");
    private static final Pattern SIGNED_IN = Pattern.compile("^//(?:[^/@]*@)?([^/:]*)(?::[0-9]*)?");
    private static final Set<String> HOME_PARENTS = Set.of("Users", "home");

    private record MountPoint(List<String> folder, int names) {}

    private LinkText() {
    }

    /**
     * The link's address, or empty when the text is no link to a file at all ({@code mailto:}, {@code #part}, nothing).
     * Blanks around it are part of it: a format that trims them has to do so before.
     */
    public static Optional<LinkAddress> read(String text, Notation notation) {
        if (text.isBlank() || (notation.isUri() && text.startsWith("#"))) {
            return Optional.empty();
        }
        String plain = withoutDevice(text);
        return plain.equals(text) ? address(text, notation) : address(plain, Notation.PLAIN);
    }

    private static Optional<LinkAddress> address(String text, Notation notation) {
        String scheme = scheme(text);
        if (scheme.equals("file")) {
            return Optional.of(fileUri(text.substring(5)));
        }
        if (scheme.equals("data")) {
            return Optional.of(new LinkAddress(LinkForm.EMBEDDED, "", List.of(), false));
        }
        boolean hasAuthority = !scheme.isEmpty() && text.startsWith("//", scheme.length() + 1);
        if (SHARE_SCHEMES.contains(scheme) && hasAuthority) {
            String share = text.substring(scheme.length() + 1);
            // Who signs in, and at which port, does not tell shares apart.
            return Optional
                    .of(unc(SIGNED_IN.matcher(notation.isUri() ? PercentCoding.decode(withoutQuery(share)) : share).replaceFirst("//$1")));
        }
        if (NETWORK_SCHEMES.contains(scheme) && (hasAuthority || notation.isUri())) {
            return Optional.of(remote());
        }
        if (scheme.length() > 1 && (notation.isUri() || hasAuthority)) {
            return Optional.empty();
        }
        if (notation == Notation.WEB && text.startsWith("//")) {
            return Optional.of(remote());
        }
        boolean windows = isDrive(text) || text.startsWith("\\\\");
        if (!notation.isUri() || windows) {
            return Optional.of(local(text, notation));
        }
        if (isVariable(text)) {
            return Optional.of(new LinkAddress(LinkForm.VARIABLE, "", List.of(), false));
        }
        String path = withoutQuery(text);
        return path.isEmpty() ? Optional.empty() : Optional.of(local(PercentCoding.decode(path), notation));
    }

    /** Without what Windows lets stand before a path that it is not to look at: {@code \\?\C:\a}, {@code \\?\UNC\server\share}. */
    private static String withoutDevice(String text) {
        Matcher device = DEVICE.matcher(text);
        if (!device.lookingAt()) {
            return text;
        }
        return device.group(1) == null ? text.substring(device.end()) : "\\\\" + text.substring(device.end());
    }

    /** The address of a path that a person typed or pasted: quotation marks and blanks around it are no part of it. */
    public static Optional<LinkAddress> readTyped(String text) {
        String bare = text.strip();
        if (bare.length() > 1 && "\"'".indexOf(bare.charAt(0)) >= 0 && bare.charAt(bare.length() - 1) == bare.charAt(0)) {
            bare = bare.substring(1, bare.length() - 1).strip();
        }
        return read(bare, Notation.PLAIN);
    }

    /** The part of a URI reference before its query and fragment. */
    public static String withoutQuery(String uri) {
        int end = uri.length();
        for (char mark : new char[]{'#', '?'}) {
            int at = uri.indexOf(mark);
            end = at < 0 ? end : Math.min(end, at);
        }
        return uri.substring(0, end);
    }

    /** RFC 8089, with the spellings that are met in practice: {@code file://F:/a}, {@code file:///F|/a}, four slashes for a share. */
    private static LinkAddress fileUri(String afterScheme) {
        String rest = withoutQuery(afterScheme).replace('\\', '/');
        String path = rest;
        if (rest.startsWith("//")) {
            int slash = rest.indexOf('/', 2);
            String host = PercentCoding.decode(slash < 0 ? rest.substring(2) : rest.substring(2, slash));
            path = slash < 0 ? "" : rest.substring(slash);
            if (isDrive(host)) {
                path = "/" + host + path;
            } else if (host.equals(".") || host.equals("..")) {
                path = host + path;
            } else if (!host.isEmpty() && !host.equalsIgnoreCase("localhost")) {
                return unc("//" + host + PercentCoding.decode(path));
            }
        }
        path = PercentCoding.decode(path);
        if (path.startsWith("//")) {
            return unc(path);
        }
        if (path.length() > 2 && path.charAt(0) == '/' && path.charAt(2) == '|') {
            path = "/" + path.charAt(1) + ":" + path.substring(3);
        }
        if (path.startsWith("/") && isDrive(path.substring(1))) {
            path = path.substring(1);
        }
        return local(path, Notation.PLAIN);
    }

    private static LinkAddress local(String path, Notation notation) {
        if (isDrive(path)) {
            return address(LinkForm.DRIVE, path.substring(0, 1).toUpperCase(Locale.ROOT) + ":", path.substring(2).replace('\\', '/'));
        }
        if (path.startsWith("\\\\") || path.startsWith("//")) {
            return unc(path);
        }
        if (path.startsWith("~/") || path.startsWith("~\\") || path.equals("~")) {
            return address(LinkForm.HOME, "~", path.substring(1).replace('\\', '/'));
        }
        if (isVariable(path)) {
            return new LinkAddress(LinkForm.VARIABLE, "", List.of(), false);
        }
        if (path.startsWith("/") && isDrive(path.substring(1)) && (path.length() == 3 || isSeparator(path.charAt(3)))) {
            return local(path.substring(1), Notation.PLAIN);
        }
        if (path.startsWith("\\")) {
            return address(LinkForm.DRIVE, "", path.replace('\\', '/'));
        }
        return path.startsWith("/") ? slashed(path, notation)
                : address(LinkForm.RELATIVE, "", notation == Notation.SLASHED ? path.replace('\\', '/') : path);
    }

    private static LinkAddress slashed(String path, Notation notation) {
        LinkAddress plain = address(LinkForm.POSIX, "/", path);
        List<String> names = plain.names();
        if (!names.isEmpty() && HOME_PARENTS.contains(names.get(0)) && names.size() > 1) {
            return plain;
        }
        Optional<LinkAddress> share = shownShare(plain);
        if (share.isPresent()) {
            return share.get();
        }
        if (notation == Notation.WEB) {
            // A site may well have a folder /media or /mnt; no site has /Volumes.
            boolean disk = names.size() > 1 && names.get(0).equals("Volumes");
            return disk ? onDisk(plain, MOUNT_POINTS.get(1)) : new LinkAddress(LinkForm.ROOTED, "", names, plain.folder());
        }
        for (MountPoint mount : MOUNT_POINTS) {
            int needed = mount.folder.size() + mount.names;
            if (names.size() >= needed && names.subList(0, mount.folder.size()).equals(mount.folder)) {
                return onDisk(plain, mount);
            }
        }
        return plain;
    }

    private static Optional<LinkAddress> shownShare(LinkAddress plain) {
        List<String> names = plain.names();
        Matcher share = names.size() > 4 && names.get(0).equals("run") && names.get(3).equals("gvfs") ? SHOWN_SHARE.matcher(names.get(4))
                : null;
        return share != null && share.matches() ? Optional.of(new LinkAddress(LinkForm.UNC, "//" + share.group(1) + "/" + share.group(2),
                names.subList(5, names.size()), plain.folder())) : Optional.empty();
    }

    private static LinkAddress onDisk(LinkAddress plain, MountPoint mount) {
        int length = mount.folder.size() + mount.names;
        String anchor = "/" + String.join("/", plain.names().subList(0, length));
        return new LinkAddress(LinkForm.VOLUME, anchor, plain.names().subList(length, plain.names().size()), plain.folder());
    }

    private static LinkAddress unc(String path) {
        LinkAddress whole = address(LinkForm.UNC, "", path.replace('\\', '/'));
        int anchored = Math.min(2, whole.names().size());
        return new LinkAddress(LinkForm.UNC, "//" + String.join("/", whole.names().subList(0, anchored)),
                whole.names().subList(anchored, whole.names().size()), whole.folder());
    }

    private static LinkAddress address(LinkForm form, String anchor, String path) {
        List<String> names = new ArrayList<>();
        for (String name : path.split("/", -1)) {
            if (!name.isEmpty() && !name.equals(".")) {
                names.add(name);
            }
        }
        boolean folder = path.endsWith("/") || path.endsWith("/.") || path.equals(".");
        return new LinkAddress(form, anchor, form.isAbsolute() ? climbed(names) : names, folder);
    }

    /** {@code ..} at the top of an absolute path stays at the top, as every system has it. */
    private static List<String> climbed(List<String> names) {
        List<String> out = new ArrayList<>();
        for (String name : names) {
            if (!name.equals("..")) {
                out.add(name);
            } else if (!out.isEmpty()) {
                out.remove(out.size() - 1);
            }
        }
        return out;
    }

    private static boolean isDrive(String text) {
        return text.length() >= 2 && text.charAt(1) == ':' && isLetter(text.charAt(0));
    }

    private static boolean isVariable(String text) {
        if (text.startsWith("${")) {
            return text.indexOf('}') > 2;
        }
        if (text.startsWith("$(")) {
            int close = text.indexOf(')');
            return close > 2 && (close + 1 == text.length() || isSeparator(text.charAt(close + 1)));
        }
        if (text.startsWith("$")) {
            int end = wordEnd(text, 1);
            return end > 1 && (end == text.length() || isSeparator(text.charAt(end)));
        }
        if (text.startsWith("%")) {
            int close = wordEnd(text, 1);
            return close > 1 && close + 1 < text.length() && text.charAt(close) == '%' && isSeparator(text.charAt(close + 1));
        }
        return false;
    }

    private static int wordEnd(String text, int from) {
        int end = from;
        while (end < text.length() && (Character.isLetterOrDigit(text.charAt(end)) || text.charAt(end) == '_')) {
            end++;
        }
        return end;
    }

    /** The scheme in lower case, empty where there is none; one letter is a drive, not a scheme. */
    private static String scheme(String text) {
        int colon = text.indexOf(':');
        if (colon < 2 || !isLetter(text.charAt(0))) {
            return "";
        }
        for (int i = 1; i < colon; i++) {
            char c = text.charAt(i);
            if (!isLetter(c) && !(c >= '0' && c <= '9') && "+-.".indexOf(c) < 0) {
                return "";
            }
        }
        return text.substring(0, colon).toLowerCase(Locale.ROOT);
    }

    private static LinkAddress remote() {
        return new LinkAddress(LinkForm.REMOTE, "", List.of(), false);
    }

    private static boolean isSeparator(char c) {
        return c == '/' || c == '\\';
    }

    private static boolean isLetter(char c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
    }
}
