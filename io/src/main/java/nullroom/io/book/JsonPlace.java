package nullroom.io.book;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Optional;
import nullroom.core.Trouble;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.databind.json.JsonMapper;

/** Where in a small file written by hand something stands. */
final class JsonPlace {
  private static final long LARGEST_BYTES = 4L << 20;

  private JsonPlace() {}

  /**
   * All of a file.
   *
   * @throws Trouble.BadFile if it cannot be read, or is larger than any written by hand
   */
  static byte[] bytes(Path file) {
    try {
      if (Files.size(file) > LARGEST_BYTES) {
        throw new Trouble.BadFile(file.toString(), "is larger than any such file: over 4 MB");
      }
      return Files.readAllBytes(file);
    } catch (NoSuchFileException e) {
      throw new Trouble.BadFile(file.toString(), "does not exist");
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be read: " + e.getMessage());
    }
  }

  /** Line and column of a place in a document, or of what it is missing in. */
  static String where(byte[] bytes, String path) {
    String pointer = "/" + path.replaceAll("\\[(\\d+)]", "/$1").replace('.', '/');
    for (String at = pointer; !at.isEmpty(); at = at.substring(0, at.lastIndexOf('/'))) {
      Optional<String> found = at(bytes, at);
      if (found.isPresent()) {
        return found.get();
      }
    }
    return "";
  }

  private static Optional<String> at(byte[] bytes, String pointer) {
    try (JsonParser parser = JsonMapper.shared().createParser(bytes)) {
      for (JsonToken t = parser.nextToken(); t != null; t = parser.nextToken()) {
        if (t != JsonToken.PROPERTY_NAME
            && parser.streamReadContext().pathAsPointer().toString().equals(pointer)) {
          TokenStreamLocation at = parser.currentTokenLocation();
          return Optional.of(" at line " + at.getLineNr() + ", column " + at.getColumnNr());
        }
      }
    }
    return Optional.empty();
  }
}
