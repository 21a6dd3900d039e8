package nullroom.app.cli;

import java.nio.file.Path;
import java.util.List;

/** temporary */
final class Desktop {
  private Desktop() {}

  static int trainStart() {
    return 0;
  }

  static int demo() {
    return 0;
  }

  static int lastBook() {
    return 0;
  }

  static int open(Path book, boolean restore) {
    return 0;
  }

  static List<Path> tour(Path folder, int width, int height) {
    return List.of();
  }
}
