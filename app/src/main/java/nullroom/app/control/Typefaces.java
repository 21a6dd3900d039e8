package nullroom.app.control;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import nullroom.app.Main;
import nullroom.app.words.Language;
import nullroom.io.report.HangingList;

/** The typefaces of the program as files, and its words, for what is printed. */
public final class Typefaces {
  private Typefaces() {}

  /** Regular and bold. */
  public static HangingList.Faces get() {
    return new HangingList.Faces(
        file("OpenSans_400Regular.ttf"), file("OpenSans_600SemiBold.ttf"), Language::say);
  }

  private static byte[] file(String name) {
    try (InputStream in = Main.class.getResourceAsStream("fonts/" + name)) {
      if (in == null) {
        throw new IllegalStateException("the program has no " + name);
      }
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
