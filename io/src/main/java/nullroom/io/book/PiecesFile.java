package nullroom.io.book;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import nullroom.core.Trouble;
import nullroom.core.book.AtHand;
import nullroom.io.SafeFile;
import tools.jackson.databind.json.JsonMapper;

/** What is at hand to dress a room, as a file of its own: PIECES.json. */
public final class PiecesFile {
  private PiecesFile() {}

  /**
   * Reads what is at hand.
   *
   * @throws Trouble.BadFile naming what is wrong, with line and column
   */
  public static AtHand read(Path file) {
    byte[] bytes = JsonPlace.bytes(file);
    Field document =
        new Field("", BookJson.parse(bytes, s -> new Trouble.BadFile(file.toString(), s)));
    try {
      return PiecesJson.read(document.object());
    } catch (Trouble.BadField e) {
      throw new Trouble.BadFile(
          file.toString(), e.place() + JsonPlace.where(bytes, e.place()) + " " + e.getMessage());
    }
  }

  /**
   * Writes what is at hand.
   *
   * @throws Trouble.BadFile if it cannot be written
   */
  public static void write(AtHand hand, Path file) {
    try {
      SafeFile.write(
          file,
          PiecesJson.write(hand, JsonMapper.shared().createObjectNode())
              .toPrettyString()
              .getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }
}
