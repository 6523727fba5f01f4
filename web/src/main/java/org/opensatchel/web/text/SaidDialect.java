package org.opensatchel.web.text;

import java.util.Set;
import org.opensatchel.core.fact.Phrase;
import org.opensatchel.core.report.Report.CandidateLine;
import org.opensatchel.core.words.Sentence;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;
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
 * For templates, {@code say:it="${sentence}"}: a sentence, or a phrase in the language of the page, with its names in the letter meant for
 * names. A page says hundreds of them; a fragment for each took longer than all the rest of it.
 */
@Component
class SaidDialect extends AbstractProcessorDialect {

    /** As {@code th:text} has it: after conditions, loops and values. */
    private static final int PRECEDENCE = 1_300;

    private final Tell tell;

    SaidDialect(Tell tell) {
        super("Sentences", "say", PRECEDENCE);
        this.tell = tell;
    }

    @Override
    public Set<IProcessor> getProcessors(String prefix) {
        return Set.of(new It(prefix, tell));
    }

    private static final class It extends AbstractAttributeTagProcessor {
        private final Tell tell;

        It(String prefix, Tell tell) {
            super(TemplateMode.HTML, prefix, null, false, "it", true, PRECEDENCE, true);
            this.tell = tell;
        }

        @Override
        protected void doProcess(ITemplateContext context, IProcessableElementTag tag, AttributeName name, String value,
                IElementTagStructureHandler structure) {
            Object said = StandardExpressions.getExpressionParser(context.getConfiguration()).parseExpression(context, value)
                    .execute(context);
            structure.setBody(html(sentence(said)), false);
        }

        private Sentence sentence(Object said) {
            if (said instanceof Sentence sentence) {
                return sentence;
            }
            return said instanceof CandidateLine candidate ? tell.of(candidate) : tell.of((Phrase) said);
        }

        /** Everything in it is escaped: what is said has names in it that somebody else chose. */
        private static String html(Sentence sentence) {
            StringBuilder out = new StringBuilder();
            for (Sentence.Piece piece : sentence.pieces()) {
                if (piece.isName()) {
                    out.append("<span class=\"name\">").append(HtmlUtils.htmlEscape(Names.shown(piece.text()), "UTF-8")).append("</span>");
                } else {
                    out.append(HtmlUtils.htmlEscape(piece.text(), "UTF-8"));
                }
            }
            return out.toString();
        }
    }
}
