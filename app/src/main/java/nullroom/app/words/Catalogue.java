package nullroom.app.words;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * The messages of one language, read from a file in the PO format of GNU gettext: pairs of {@code
 * msgid}, the English, and {@code msgstr}. {@code {0}}, {@code {1}} … stand for what is put in.
 */
final class Catalogue {
  private Catalogue() {}

  /** The catalogue that ships with the program for a language, by its ISO 639 code. */
  static List<Phrase> of(String code) {
    String name = "/nullroom/app/words/" + code + ".po";
    try (InputStream in = Catalogue.class.getResourceAsStream(name)) {
      String text =
          new String(Objects.requireNonNull(in, name).readAllBytes(), StandardCharsets.UTF_8);
      return read(text.lines().toList());
    } catch (IOException e) {
      throw new UncheckedIOException(name, e);
    }
  }

  /**
   * Reads the lines of a catalogue; its header, whose English is empty, is left out.
   *
   * @throws IllegalArgumentException if a line is of no kind that is known
   */
  static List<Phrase> read(List<String> lines) {
    List<Phrase> all = new ArrayList<>();
    StringBuilder id = new StringBuilder();
    StringBuilder translation = new StringBuilder();
    StringBuilder now = id;
    for (String line : lines) {
      if (line.isBlank() || line.startsWith("#")) {
        continue;
      }
      if (line.startsWith("msgid ")) {
        add(all, id, translation);
        now = id;
      } else if (line.startsWith("msgstr ")) {
        now = translation;
      } else if (!line.startsWith("\"")) {
        throw new IllegalArgumentException("no line of a catalogue: " + line);
      }
      now.append(unquoted(line.substring(line.indexOf('"'))));
    }
    add(all, id, translation);
    return all;
  }

  private static void add(List<Phrase> all, StringBuilder id, StringBuilder translation) {
    if (!id.isEmpty() && !translation.isEmpty()) {
      all.add(new Phrase(id.toString(), translation.toString()));
    }
    id.setLength(0);
    translation.setLength(0);
  }

  private static String unquoted(String text) {
    return text.substring(1, text.length() - 1).translateEscapes();
  }
}
