package org.opensatchel.cli;

import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.logging.LogManager;
import org.opensatchel.core.words.Words;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.ScopeType;

/** The command line over the core: no database, no server, nothing written but what it prints. */
@Command(name = "satchel", description = "Checks media project folders, and the kits they are made from.", synopsisSubcommandLabel = "COMMAND")
public final class Satchel implements Runnable {

    /** It could not be checked, or was asked for wrongly. */
    static final int FAILED = 2;

    private static final List<Class<?>> COMMANDS = List.of(CheckCommand.class, KitCommand.class, ProfileCommand.class, NameCommand.class,
            FormatsCommand.class, ExplainCommand.class);
    private static final Words IN_ENGLISH = Words.ENGLISH.including(Satchel.class);

    private final PrintStream out;
    private final PrintStream err;
    private Words words = IN_ENGLISH;

    /** The languages that --language takes. */
    enum Language {
        en, de
    }

    private Satchel(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    public static void main(String[] args) {
        PrintStream out = new PrintStream(new java.io.FileOutputStream(java.io.FileDescriptor.out), false, StandardCharsets.UTF_8);
        // What our code logs is for whoever runs a server; here it would stand among the sentences.
        LogManager.getLogManager().reset();
        PrintStream err = new PrintStream(new java.io.FileOutputStream(java.io.FileDescriptor.err), true, StandardCharsets.UTF_8);
        int status = run(out, err, args);
        out.flush();
        System.exit(status);
    }

    /** Runs one command; the exit status is returned. */
    static int run(PrintStream out, PrintStream err, String... args) {
        Satchel satchel = new Satchel(out, err);
        CommandLine line = new CommandLine(satchel);
        asked(args).forEach(line::addSubcommand);
        if (isGerman(args)) {
            line.setResourceBundle(ResourceBundle.getBundle(Satchel.class.getPackageName() + ".help", Locale.GERMAN));
        }
        line.setExpandAtFiles(false);
        line.setTrimQuotes(false);
        line.setOut(new PrintWriter(out, true));
        line.setErr(new PrintWriter(err, true));
        line.setParameterExceptionHandler((wrong, given) -> {
            err.println(Printable.line("satchel: " + satchel.words.fill("wrong", firstLine(wrong), command(wrong))));
            return FAILED;
        });
        line.setExecutionExceptionHandler((failure, command, parsed) -> {
            err.println(Printable.line("satchel: " + satchel.sentence(failure)));
            return FAILED;
        });
        try {
            return line.execute(args);
        } catch (OutOfMemoryError tooMuch) {
            err.println("satchel: " + satchel.words.fill("memory"));
        } catch (Error broke) {
            // An error of ours is told like any other fault: in one line, so that what reads a report is not disturbed.
            err.println(Printable.line("satchel: " + satchel.words.fill("broken", FaultNumber.of(broke))));
        }
        return FAILED;
    }

    /** The command that stands first, alone: what all the others take need not be found out then, which is a quarter of a short command's time. */
    private static List<Class<?>> asked(String... args) {
        List<Class<?>> named = COMMANDS.stream()
                .filter(command -> args.length > 0 && command.getAnnotation(Command.class).name().equals(args[0])).toList();
        return named.isEmpty() ? COMMANDS : named;
    }

    /** Asked before anything is parsed: help is written while that goes on. */
    private static boolean isGerman(String... args) {
        List<String> given = Arrays.asList(args);
        int at = given.indexOf("--language");
        return given.contains("--language=de") || (at >= 0 && at + 1 < args.length && args[at + 1].equals("de"));
    }

    /** The command asked for, as the help knows it. */
    private static String command(ParameterException wrong) {
        String words = wrong.getCommandLine().getCommandSpec().qualifiedName(" ");
        return words.equals("satchel") ? "check" : words.substring("satchel ".length());
    }

    private static String firstLine(ParameterException wrong) {
        String message = String.valueOf(wrong.getMessage());
        String line = message.lines().findFirst().orElse("");
        return line.endsWith(".") ? line : line + ".";
    }

    private String sentence(Exception failure) {
        return failure instanceof Refusal refusal ? refusal.in(words) : words.fill("broken", FaultNumber.of(failure));
    }

    @Option(names = "--language", paramLabel = "en|de", scope = ScopeType.INHERIT, description = "the language of what is printed (en)")
    void language(Language language) {
        words = language == Language.en ? IN_ENGLISH : Words.in(Locale.GERMAN).including(Satchel.class);
    }

    /** The language of what is printed. */
    Words words() {
        return words;
    }

    PrintStream out() {
        return out;
    }

    PrintStream err() {
        return err;
    }

    @Override
    public void run() {
        out.println("satchel kit lint|handout|diff|propose …");
        out.println("satchel profile learn|test|explain …");
        out.println("satchel name test PATTERN NAME [--for last=…,first=…]");
        out.println(
                "satchel check PROJECT… [--kit K.kit.json] [--for last=…,first=…] [--location PATH] [--documents DIR|ZIP] [--machine NAME|FILE] [--profile P.profile.json] [--format text|json|sarif] [--quiet]");
        out.println("satchel formats");
        out.println("satchel explain [CODE]");
    }
}
