package nullroom.app.desktop;

import java.nio.file.Path;
import nullroom.app.words.Language;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;

/** Tests that walk through the demo in one window. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class OnEveryPage {
  DemoWindow demo;

  /** What the window speaks. */
  Language language() {
    return Language.ENGLISH;
  }

  @BeforeAll
  void open(@TempDir Path folder) {
    Language.speak(language());
    demo = new DemoWindow(folder);
  }

  @AfterAll
  void close() {
    demo.close();
    Language.speak(Language.ENGLISH);
  }
}
