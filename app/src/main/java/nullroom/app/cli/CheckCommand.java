package nullroom.app.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import nullroom.core.Trouble;
import nullroom.io.audio.SoundFile;
import nullroom.io.book.BookFolder;
import nullroom.io.book.RoomBook;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "check",
    mixinStandardHelpOptions = true,
    description = "validate a room book or room file")
final class CheckCommand implements Callable<Integer> {
  @Parameters(paramLabel = "BOOK|ROOM.json", description = "folder of a room book, or a room file")
  Path path = Path.of("");

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  @Override
  public Integer call() {
    List<String> wrong = new ArrayList<>();
    String name = null;
    try {
      RoomBook book = BookFolder.readBook(path);
      name = book.name();
      book.noise().ifPresent(n -> checkSound(n.sound(), wrong));
      book.decay().ifPresent(d -> checkSound(d.sound(), wrong));
    } catch (Trouble e) {
      wrong.add(e.line());
    }
    if (json) {
      JsonOut out = new JsonOut();
      out.text("name", name);
      out.put("valid", wrong.isEmpty());
      out.texts("problems", wrong);
      out.print();
    } else if (wrong.isEmpty()) {
      System.out.println(path + ": a valid room book");
    }
    if (!wrong.isEmpty() && !json) {
      wrong.forEach(w -> System.err.println("nullroom: " + w));
    }
    return wrong.isEmpty() ? 0 : 1;
  }

  private void checkSound(String name, List<String> wrong) {
    if (!Files.isDirectory(path)) {
      return;
    }
    try (SoundFile sound = SoundFile.open(new BookFolder(path).sound(name))) {
      sound.read(new double[sound.channels()][1024]);
    } catch (Trouble e) {
      wrong.add(e.line());
    }
  }
}
