package org.opensatchel.cli;

/** Colours and weights for a terminal (ECMA-48 SGR), or none: no meaning depends on them. */
enum Colours {
    PLAIN {
        @Override
        String of(String severity, String text) {
            return text;
        }

        @Override
        String strong(String text) {
            return text;
        }

        @Override
        String soft(String text) {
            return text;
        }
    },
    TERMINAL {
        @Override
        String of(String severity, String text) {
            String colour = switch (severity) {
                case "must", "fix", "blocked" -> "31";
                case "should", "tidy", "doubts" -> "33";
                case "ready" -> "32";
                default -> "36";
            };
            return "\033[" + colour + "m" + text + "\033[0m";
        }

        @Override
        String strong(String text) {
            return "\033[1m" + text + "\033[0m";
        }

        @Override
        String soft(String text) {
            return "\033[2m" + text + "\033[0m";
        }
    };

    /** Text in the colour of a severity or a verdict. */
    abstract String of(String severity, String text);

    abstract String strong(String text);

    abstract String soft(String text);

    /** Colours when the output is a terminal and nobody asked for none (the NO_COLOR convention). */
    static Colours wanted() {
        boolean none = System.getenv("NO_COLOR") != null || "dumb".equals(System.getenv("TERM")) || System.getenv("TERM") == null;
        return System.console() == null || none ? PLAIN : TERMINAL;
    }
}
