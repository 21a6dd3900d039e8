package nullroom.app.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.core.acoustics.LooseThings;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.Brief;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** The German catalogue against the sources. */
class CatalogueTest {
  private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\\\n]|\\\\.)*)\"");
  private static final Pattern PUT_IN = Pattern.compile("%%|%n|\n|%[-+#0-9.,$]*[sdfx]");

  /** Two words of plain letters with a space between: a name or a sentence, no key of a file. */
  private static final Pattern SENTENCE = Pattern.compile("\\p{L}{2,}[,;:.]? \\p{L}{2,}");

  /** What only the terminal, a file or a programmer sees. */
  private static final Set<String> UNSEEN_FILES =
      Set.of(
          "DemoText.java",
          "Desktop.java",
          "Toolkit.java",
          "Tour.java",
          "Main.java",
          "PictureFile.java",
          "Look.java",
          "CompressedStream.java",
          "Ffmpeg.java");

  private static final Set<String> UNSEEN =
      Set.of(
          "nullroom: the book could not be saved in time: ",
          " is not an even number from 2 up",
          "transform size ",
          " shares of ",
          ",? ?from memory, low confidence",
          "xlr trs35",
          "xlr trrs35",
          "xlr usb",
          "to stand", // found in a sentence, and put in its place
          "already finished",
          "finish first",
          "no stable section follows this response",
          "the book is read where it changes, on the FX thread",
          "no line of a catalogue: ",
          "the program has no ");

  private static List<Path> sources() throws IOException {
    try (Stream<Path> core = Files.walk(Path.of("../core/src/main/java"));
        Stream<Path> io = Files.walk(Path.of("../io/src/main/java"));
        Stream<Path> app = Files.walk(Path.of("src/main/java"))) {
      return Stream.of(core, io, app)
          .flatMap(s -> s)
          .filter(p -> p.toString().endsWith(".java"))
          .filter(p -> !p.toString().contains("/cli/"))
          .filter(p -> !UNSEEN_FILES.contains(p.getFileName().toString()))
          .toList();
    }
  }

  @Test
  @DisplayName("every sentence of the sources that a window can show is in the catalogue")
  void complete() throws IOException {
    String all =
        Catalogue.of("de").stream()
            .map(p -> p.english().replaceAll("\\{\\d}", "\u0000"))
            .collect(Collectors.joining("\u0001"));
    Set<String> missing = new TreeSet<>();
    for (Path source : sources()) {
      Matcher literal =
          LITERAL.matcher(Files.readString(source).replaceAll("(?m)^ *(//|\\*|/\\*).*$", ""));
      while (literal.find()) {
        String text = literal.group(1).replaceAll("\\\\u\\p{XDigit}{4}", "").translateEscapes();
        for (String part : PUT_IN.split(text)) {
          String bare = part.strip().replaceAll("^[,;:.]+\\s*|[\\s,;:.]+$", "");
          if (SENTENCE.matcher(bare).find() && !UNSEEN.contains(text) && !all.contains(bare)) {
            missing.add(source.getFileName() + ": " + text);
          }
        }
      }
    }
    assertThat(missing).isEmpty();
  }

  @Test
  @DisplayName("every name of the tables is in it: materials, microphones, briefs, loose things")
  void tables() {
    Translation german = new Translation(Catalogue.of("de"));
    Stream<String> names =
        Stream.of(
                Materials.all().stream().map(Material::name),
                LooseThings.all().stream().map(LooseThings.Entry::name),
                MicrophoneType.ALL.stream().map(MicrophoneType::label),
                Brief.all().stream().map(Brief::use))
            .flatMap(s -> s);
    assertThat(names.filter(n -> german.lettersLeft(n) > 0)).isEmpty();
  }

  @Test
  @DisplayName("what is put in is the same in both languages, and no message stands twice")
  void places() {
    List<Phrase> all = Catalogue.of("de");
    assertThat(all).hasSizeGreaterThan(2500);
    assertThat(all).extracting(Phrase::english).allMatch(e -> !e.isBlank());
    Pattern place = Pattern.compile("\\{\\d}");
    assertThat(all)
        .allSatisfy(p ->
            assertThat(place.matcher(p.other()).results().map(m -> m.group()).sorted())
                .isEqualTo(
                    place.matcher(p.english()).results().map(m -> m.group()).sorted().toList()));
  }

  @Test
  @DisplayName("the PO format: several lines of one message, escapes, remarks, the header left out")
  void read() {
    List<Phrase> read =
        Catalogue.read(
            List.of(
                "# said once",
                "msgid \"\"",
                "msgstr \"Language: de\\n\"",
                "",
                "msgid \"a \\\"quoted\\\" \"",
                "\"line of {0}\"",
                "msgstr \"eine \\\"Zeile\\\" von {0}\"",
                "msgid \"not yet\"",
                "msgstr \"\""));
    assertThat(read).extracting(Phrase::english).containsExactly("a \"quoted\" line of {0}");
    assertThat(read).extracting(Phrase::other).containsExactly("eine \"Zeile\" von {0}");
    assertThatThrownBy(() -> Catalogue.read(List.of("msgctxt")))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("msgctxt");
  }
}
