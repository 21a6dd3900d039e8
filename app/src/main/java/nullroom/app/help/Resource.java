package nullroom.app.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import nullroom.app.words.Language;

/** A text that ships with the program. */
final class Resource {
  private Resource() {}

  /** The lines of a text in the language that is spoken. */
  static List<String> lines(String name) {
    String path = "/nullroom/app/help/" + name + "_" + Language.spoken().code() + ".txt";
    try (InputStream in = Objects.requireNonNull(Resource.class.getResourceAsStream(path), path)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
