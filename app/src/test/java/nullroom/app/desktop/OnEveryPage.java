package nullroom.app.desktop;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;

/** Tests that walk through the demo in one window. */
abstract class OnEveryPage {
  @TempDir static Path folder;
  static DemoWindow demo;

  @BeforeAll
  static void open() {
    demo = new DemoWindow(folder);
  }

  @AfterAll
  static void close() {
    demo.close();
  }
}
