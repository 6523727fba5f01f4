package org.opensatchel.web.text;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.opensatchel.core.words.Sentence;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.ITemplateContext;
import org.thymeleaf.dialect.AbstractProcessorDialect;
import org.thymeleaf.engine.AttributeName;
import org.thymeleaf.model.IProcessableElementTag;
import org.thymeleaf.processor.IProcessor;
import org.thymeleaf.processor.element.AbstractAttributeTagProcessor;
import org.thymeleaf.processor.element.IElementTagStructureHandler;
import org.thymeleaf.standard.expression.StandardExpressions;
import org.thymeleaf.templatemode.TemplateMode;

/**
 * For templates: {@code say:it="${sentence}"} says a sentence, or a phrase in the language of the page, with its names in the letter meant
 * for names; {@code say:list="${sentences}"} says such things as the items of a list; {@code say:folded="${lines}"} writes lines to unfold
 * ({@link Folded}); {@code say:mark="${severity}"} draws the mark of a severity. A page has hundreds of them; a fragment for each took
 * longer than all the rest of it.
 */
@Component
class SaidDialect extends AbstractProcessorDialect {

    /** As {@code th:text} has it: after conditions, loops and values. */
    private static final int PRECEDENCE = 1_300;

    private static final Map<String, String> MARKS = Map.of("must", "<path d=\"M8 1l7 7-7 7-7-7z\"/>", "should",
            "<path d=\"M8 1l7 7-7 7-7-7z\"/><path class=\"half\" d=\"M8 1l7 7H1z\"/>", "note", "<circle cx=\"8\" cy=\"8\" r=\"5.5\"/>",
            "ready", "<path d=\"M1 8h14\"/>");

    private final Tell tell;

    SaidDialect(Tell tell) {
        super("Sentences", "say", PRECEDENCE);
        this.tell = tell;
    }

    @Override
    public Set<IProcessor> getProcessors(String prefix) {
        return Set.of(new Filling(prefix, "it", this::it, (html, tag) -> tag.setBody(html, false)),
                new Filling(prefix, "list", this::list, (html, tag) -> tag.setBody(html, false)),
                new Filling(prefix, "folded", SaidDialect::folded, (html, tag) -> tag.setBody(html, false)),
                new Filling(prefix, "mark", SaidDialect::mark, (html, tag) -> tag.replaceWith(html, false)));
    }

    /** Writes what an expression gives where its attribute stands. */
    private static final class Filling extends AbstractAttributeTagProcessor {
        private final Function<Object, String> html;
        private final BiConsumer<String, IElementTagStructureHandler> where;

        Filling(String prefix, String name, Function<Object, String> html, BiConsumer<String, IElementTagStructureHandler> where) {
            super(TemplateMode.HTML, prefix, null, false, name, true, PRECEDENCE, true);
            this.html = html;
            this.where = where;
        }

        @Override
        protected void doProcess(ITemplateContext context, IProcessableElementTag tag, AttributeName name, String value,
                IElementTagStructureHandler structure) {
            Object said = StandardExpressions.getExpressionParser(context.getConfiguration()).parseExpression(context, value)
                    .execute(context);
            where.accept(html.apply(said), structure);
        }
    }

    private String it(Object said) {
        StringBuilder out = new StringBuilder();
        write(tell.any(said), out);
        return out.toString();
    }

    private String list(Object items) {
        StringBuilder out = new StringBuilder();
        for (Object item : (List<?>) items) {
            out.append("<li>");
            write(tell.any(item), out);
            out.append("</li>");
        }
        return out.toString();
    }

    private static String folded(Object lines) {
        StringBuilder out = new StringBuilder();
        for (Object line : (List<?>) lines) {
            write((Folded) line, out);
        }
        return out.toString();
    }

    private static void write(Folded line, StringBuilder out) {
        out.append("<details id=\"").append(Markup.escaped(line.id())).append("\"><summary><span class=\"state ")
                .append(Markup.escaped(line.mark()))
                .append("\">").append(Markup.escaped(line.state())).append("</span><span>");
        write(line.what(), out);
        out.append("</span></summary><dl>");
        line.facts().forEach(fact -> write(fact, out));
        out.append("</dl></details>\n");
    }

    private static void write(Folded.Fact fact, StringBuilder out) {
        out.append("<dt>").append(Markup.escaped(fact.term())).append("</dt><dd>");
        boolean several = fact.values().size() > 1;
        for (Sentence value : fact.values()) {
            out.append(several ? "<div>" : "");
            write(value, out);
            out.append(several ? "</div>" : "");
        }
        out.append("</dd>");
    }

    /** Filled diamond, half diamond, ring, closed stitch. */
    private static String mark(Object severity) {
        return "<svg class=\"sign " + Markup.escaped(severity.toString()) + "\" viewBox=\"0 0 16 16\" role=\"img\" aria-label=\""
                + Markup.escaped(Speech.say("severity." + severity)) + "\">" + MARKS.getOrDefault(severity.toString(), MARKS.get("ready"))
                + "</svg>";
    }

    /** Everything in it is escaped: what is said has names in it that somebody else chose. */
    private static void write(Sentence sentence, StringBuilder out) {
        for (Sentence.Piece piece : sentence.pieces()) {
            if (piece.isName()) {
                out.append("<span class=\"name\">").append(Markup.escaped(Names.shown(piece.text()))).append("</span>");
            } else {
                out.append(Markup.escaped(piece.text()));
            }
        }
    }
}
