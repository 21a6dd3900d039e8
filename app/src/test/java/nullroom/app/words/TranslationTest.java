package nullroom.app.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import nullroom.app.help.Glossary;
import nullroom.app.help.HelpPage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Messages found again in composed texts. */
class TranslationTest {
  private final Translation german = new Translation(Catalogue.of("de"));

  @AfterEach
  void english() {
    Language.speak(Language.ENGLISH);
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          Undo | Rückgängig
          nothing up | nichts hängt
          1 piece up | 1 Stück hängt
          3 pieces up | 3 Stücke hängen
          Quiet 38 dB, short | Ruhe 38 dB, zu wenig
          Hang a Omas Quilt | Omas Quilt aufhängen
          No, it is drier than it need be: 0.20 s at mid frequencies; “Sung, dry” is fine with 0.25 to 0.45 s. | \
          Nein, er ist trockener als nötig: 0.20 s in der Mitte; „Gesungen, trocken“ verträgt 0.25 bis 0.45 s.
          Nothing is clipped. No offset. | Nichts ist übersteuert. Kein Gleichanteil.
          must lie between 1 and 20 m, not 0 | muss zwischen 1 und 20 m liegen, nicht 0
          −31.5 dBFS | −31.5 dBFS
          Blanket 1,5 × 2,0 m, 10 cm off the wall: relative only | \
          Wolldecke 1,5 × 2,0 m, 10 cm vor der Wand: nur relativ
          ● power: Phantom power from the input. | ● Speisung: Phantomspeisung vom Eingang.
          by the skylight, 21:46 | beim Dachfenster, 21:46
          wall 2, then wall 4 | Wand 2, dann Wand 4
          """)
  void composed(String text, String said) {
    assertThat(german.of(text)).isEqualTo(said);
  }

  @Test
  @DisplayName("what is German already, and names that people gave, stay as they are")
  void untouched() {
    String said = german.of("Fold away the form");
    assertThat(said).isEqualTo("das Formular einklappen");
    assertThat(german.of(said)).isEqualTo(said);
    assertThat(german.of("Zimmer 12, hinten")).isEqualTo("Zimmer 12, hinten");
    assertThat(german.of("")).isEmpty();
    assertThat(german.lettersLeft("Undo: sprockets")).isEqualTo(9);
  }

  @Test
  @DisplayName("the language follows the country, and each says its own name")
  void languages() {
    assertThat(Language.of(Locale.of("de", "AT"))).isEqualTo(Language.GERMAN);
    assertThat(Language.of(Locale.JAPAN)).isEqualTo(Language.ENGLISH);
    assertThat(Language.of("xx")).isEmpty();
    assertThat(Language.say("Undo")).isEqualTo("Undo");
    Language.speak(Language.GERMAN);
    assertThat(Language.say("Undo")).isEqualTo("Rückgängig");
    assertThat(Language.GERMAN.label()).isEqualTo("Deutsch");
  }

  @Test
  @DisplayName("help and glossary say the same in both languages")
  void help() {
    List<String> ids = HelpPage.all().stream().map(HelpPage::id).toList();
    List<Integer> lengths = HelpPage.all().stream().map(p -> p.paragraphs().size()).toList();
    Language.speak(Language.GERMAN);
    assertThat(HelpPage.all()).extracting(HelpPage::id).isEqualTo(ids);
    assertThat(HelpPage.all()).extracting(p -> p.paragraphs().size()).isEqualTo(lengths);
    assertThat(Glossary.shipped().terms())
        .hasSizeGreaterThan(80)
        .allSatisfy(t -> assertThat(t.meaning()).endsWith("."));
    assertThat(Glossary.shipped().in("Klarheit 4 dB"))
        .extracting(Glossary.Term::name)
        .containsExactly("Klarheit", "dB");
  }
}
