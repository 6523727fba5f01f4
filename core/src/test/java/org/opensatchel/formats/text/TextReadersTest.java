package org.opensatchel.formats.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javax.xml.stream.XMLStreamReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.css.CssScan;
import org.opensatchel.formats.json.JsonScan;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;

/** The helpers that formats are read by: every value with its exact place, every odd text with a result. */
class TextReadersTest {

    private static List<String> attributes(byte[] xml) throws Unreadable {
        List<String> out = new ArrayList<>();
        new XmlScan(new XmlScan.Listener() {
            @Override
            public void element(XmlScan.Element element, XMLStreamReader reader) {
                for (int i = 0; i < reader.getAttributeCount(); i++) {
                    out.add(element.place(XmlScan.written(reader, i)).text() + " " + reader.getAttributeValue(i)
                            + (element.base().isEmpty() ? "" : " from " + element.base()));
                }
            }

            @Override
            public void text(XmlScan.Element element, String text) {
                if (!text.isBlank()) {
                    out.add(element.place().text() + " " + text.strip());
                }
            }
        }).read(new ByteArrayInputStream(xml));
        return out;
    }

    private static List<String> attributes(String xml) throws Unreadable {
        return attributes(xml.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void placesInXmlCountTheSiblingsOfOneName() throws Unreadable {
        assertThat(attributes("<a><b x='1'/><c x='2'/><b x='3'><b x='4'/></b><p:b x='5' p:y='6'/><d>text</d></a>")).containsExactly(
                "/a[1]/b[1]/@x 1", "/a[1]/c[1]/@x 2", "/a[1]/b[2]/@x 3", "/a[1]/b[2]/b[1]/@x 4",
                "/a[1]/p:b[1]/@x 5", "/a[1]/p:b[1]/@p:y 6", "/a[1]/d[1] text");
    }

    @Test
    void basesAddUp() throws Unreadable {
        assertThat(attributes("<a xml:base='x/'><b xml:base='y/' c='1'/><d e='2'/></a>")).contains("/a[1]/b[1]/@c 1 from x/y/",
                "/a[1]/d[1]/@e 2 from x/");
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16", "ISO-8859-1", "windows-1252", "UTF-16LE", "UTF-16BE"})
    void xmlIsReadInTheEncodingItDeclares(String encoding) throws Unreadable {
        String mark = encoding.equals("UTF-16LE") || encoding.equals("UTF-16BE") ? "\uFEFF" : "";
        assertThat(attributes(
                (mark + "<?xml version='1.0' encoding='" + encoding + "'?><a b='été.png'/>").getBytes(Charset.forName(encoding))))
                .containsExactly("/a[1]/@b été.png");
    }

    @Test
    void entitiesOfTheDocumentAreExpandedAndNothingIsFetched() throws Unreadable {
        assertThat(attributes(
                "<!DOCTYPE a SYSTEM 'http://127.0.0.1:9/x.dtd' [<!ENTITY ns 'urn:x'><!ENTITY out SYSTEM 'file:///etc/passwd'>]><a b='&ns;'>&nbsp;z</a>"))
                .containsExactly("/a[1]/@b urn:x", "/a[1] z");
    }

    /** All else is read, and that this was not is said once. */
    @Test
    void whatADocumentTakesInFromElsewhereIsNeverOpened() {
        List<String> out = new ArrayList<>();
        assertThatThrownBy(() -> new XmlScan((element, reader) -> out.add(element.localName())).read(new ByteArrayInputStream(
                "<!DOCTYPE a [<!ENTITY out SYSTEM 'file:///etc/passwd'>]><a>&out;<b>&out;</b></a>".getBytes(StandardCharsets.UTF_8))))
                .isInstanceOfSatisfying(Unreadable.class,
                        told -> assertThat(Words.ENGLISH.text(told.problem().what())).contains("takes in another file"));
        assertThat(out).containsExactly("a", "b");
    }

    @ParameterizedTest
    @ValueSource(strings = {"<a", "<a><b></a>", "<a b='1' b='2'/>", "", "   ", "<a>&#0;</a>", "<a b='<'/>", "text"})
    void whatIsNotWellFormedIsToldAsSuch(String xml) {
        assertThatThrownBy(() -> attributes(xml)).isInstanceOfSatisfying(Unreadable.class,
                told -> assertThat(Words.ENGLISH.text(told.problem().what())).contains("XML"));
    }

    @Test
    void whatStandsBeforeTheFaultIsKept() {
        List<String> out = new ArrayList<>();
        assertThatThrownBy(() -> new XmlScan((element, reader) -> out.add(element.localName()))
                .read(new ByteArrayInputStream("<a><b/><c><".getBytes(StandardCharsets.UTF_8)))).isInstanceOf(Unreadable.class);
        assertThat(out).containsExactly("a", "b", "c");
    }

    private static List<String> texts(String json, Charset charset) throws IOException, Unreadable {
        List<String> out = new ArrayList<>();
        new JsonScan(Set.of("inner"), new JsonScan.Listener() {
            @Override
            public void object(JsonScan.Obj object) {
                object.keys().stream().sorted().forEach(key -> out.add(object.place(key).text() + " " + object.text(key)));
            }

            @Override
            public boolean wantsObject() {
                return false;
            }
        }).read(new ByteArrayInputStream(json.getBytes(charset)));
        return out;
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
            "{\"a\": \"x\"} | /a x", "{\"a\": {\"b\": \"x\"}} | /a/b x", "[{\"a\": 1}, {\"a\": \"y\"}] | /0/a 1,/1/a y",
            "{\"a/b~c\": \"x\"} | /a~1b~0c x", "{\"l\": [[{\"k\": \"v\"}]]} | /l/0/0/k v",
            "{\"a\": \"1\", \"a\": \"2\"} | /a 2", "{\"é\": \"\\u00e9\\n\"} | /é é", "{\"n\": null, \"t\": true} | /n ,/t", "{} | ``"})
    void placesInJsonArePointers(String json, String expected) throws Exception {
        for (Charset charset : List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE,
                Charset.forName("UTF-32"))) {
            assertThat(String.join(",", texts(json, charset)).strip()).as(charset.name()).isEqualTo(expected);
            assertThat(String.join(",", texts("\uFEFF" + json, charset)).strip()).as(charset + " with its mark").isEqualTo(expected);
        }
    }

    @Test
    void valuesOfAnInnerObjectAreSeenFromTheOneAround() throws Exception {
        assertThat(texts("{\"inner\": {\"k\": \"v\", \"inner\": {\"d\": \"w\"}}}", StandardCharsets.UTF_8)).contains("/inner.k v",
                "/inner.inner.d w", "/inner/k v");
    }

    @Test
    void aVeryLongValueIsCutAndTheRestIsRead() throws Exception {
        List<String> found = texts("{\"a\": \"" + "x".repeat(1_000_000) + "\", \"b\": \"y\"}", StandardCharsets.UTF_8);
        assertThat(found).hasSize(2).contains("/b y");
        assertThat(found.get(0)).hasSizeLessThan(70_000);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "  ", "{", "{\"a\": }", "{\"a\": NaN}", "{} x", "[1, 2", "{'a': 1}", "{\"a\": 1,}", "nul"})
    void whatIsNoJsonIsToldAsSuch(String json) {
        assertThatThrownBy(() -> texts(json, StandardCharsets.UTF_8)).isInstanceOf(Unreadable.class);
    }

    private static List<String> urls(String css) {
        List<String> out = new ArrayList<>();
        LineIndex lines = new LineIndex(css);
        new CssScan(css, (offset, text, alternatives) -> out.add(lines.at(offset).text() + " " + text)).read();
        return out;
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
            "a { b: url(x.png) } | 1:12 x.png", "a { b: url( \"x y.png\" ) } | 1:14 x y.png", "a { b: URL('x.png') } | 1:13 x.png",
            "@import \"b.css\" screen; | 1:10 b.css", "@import url(b.css); | 1:13 b.css",
            "a { b: image-set(\"x.png\" 1x, url(y.png) 2x) } | 1:19 x.png,1:34 y.png", "/* url(no.png) */ | ``",
            "a { content: \"url(no.png)\" } | ``", "a { b: url(x\\29 y.png) } | 1:12 x)y.png", "a { b: url() } | 1:12",
            "@charset \"utf-8\"; | ``", "@font-face { src: local(\"A\"), url(f.woff2) format(\"woff2\") } | 1:35 f.woff2",
            "a { b: foourl(x.png) } | ``", "a { b: url(x.png | 1:12 x.png", "a{}/* unfinished url(x) | ``"})
    void linksInCssAreAddressesAndImports(String css, String expected) {
        assertThat(String.join(",", urls(css)).strip()).isEqualTo(expected);
    }

    private static List<String> statements(byte[] text) throws Exception {
        List<String> out = new ArrayList<>();
        StatementLines.read(new ByteArrayInputStream(text),
                statement -> out.add(statement.line() + ":" + statement.restColumn() + " " + statement.keyword() + "=" + statement.rest()));
        return out;
    }

    @Test
    void statementsBeginWithAWordAndMayGoOn() throws Exception {
        assertThat(statements("mtllib a b.mtl  \r\n# no\r\n\tusemtl x\n\nmap_Kd \\\n tex.png\rend".getBytes(StandardCharsets.UTF_8)))
                .containsExactly("1:8 mtllib=a b.mtl", "3:9 usemtl=x", "5:10 map_Kd=tex.png", "7:4 end=");
        assertThat(statements("map_Kd é.png".getBytes(StandardCharsets.ISO_8859_1))).containsExactly("1:8 map_Kd=é.png");
        assertThat(statements("\uFEFFmap_Kd é.png".getBytes(StandardCharsets.UTF_8))).containsExactly("1:8 map_Kd=é.png");
        assertThat(statements("\uFEFFmap_Kd a.png".getBytes(StandardCharsets.UTF_16LE))).containsExactly("1:8 map_Kd=a.png");
        assertThatThrownBy(() -> statements(new byte[]{'a', 0, 1, 2})).isInstanceOf(Unreadable.class);
    }

    @ParameterizedTest
    @CsvSource({"UTF-8,true", "UTF-8,false", "UTF-16LE,true", "UTF-16BE,true", "windows-1252,false"})
    void textIsReadInWhateverEncodingItCameIn(String charset, boolean marked) {
        assertThat(TextDecoding.decode(((marked ? "\uFEFF" : "") + "été €").getBytes(Charset.forName(charset)))).isEqualTo("été €");
    }

    @ParameterizedTest
    @CsvSource({"0,1:1", "2,1:3", "3,2:1", "5,3:1", "6,4:1", "8,4:2"})
    void linesEndInAnyOfThreeWays(int offset, String place) {
        // An emoji is two characters and one column.
        assertThat(new LineIndex("ab\nc\r\r\uD83D\uDE00x").at(offset).text()).isEqualTo(place);
    }
}
