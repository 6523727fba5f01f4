package org.opensatchel.web.handin;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import org.opensatchel.core.report.Verdict;

/** Verdicts stand in the database by their words, as in reports. */
@Converter(autoApply = true)
class VerdictColumn implements AttributeConverter<Verdict, String> {

    @Override
    public String convertToDatabaseColumn(Verdict verdict) {
        return verdict == null ? null : verdict.word();
    }

    @Override
    public Verdict convertToEntityAttribute(String word) {
        return word == null ? null : Verdict.of(word);
    }
}
