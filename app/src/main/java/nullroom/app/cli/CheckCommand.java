package nullroom.app.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import nullroom.core.Trouble;
import nullroom.io.audio.SoundFile;
import nullroom.io.book.BookFolder;
import nullroom.io.book.Listening;
import nullroom.io.book.RoomBook;
import nullroom.io.book.Suspect;
import nullroom.io.survey.SurveyFile;
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
      sounds(book.listening()).forEach(sound -> checkSound(sound, wrong));
      book.listening().surveys().forEach(survey -> checkSurvey(survey.file(), wrong));
      book.decays().measured().forEach(d -> checkSound(d.sound(), wrong));
      book.decays().estimate().ifPresent(e -> checkSound(e.sound(), wrong));
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

  private static List<String> sounds(Listening listening) {
    List<String> sounds = new ArrayList<>();
    listening.noise().ifPresent(n -> sounds.add(n.sound()));
    listening.spots().forEach(spot -> sounds.add(spot.sound()));
    for (Suspect suspect : listening.suspects()) {
      suspect.on().ifPresent(on -> sounds.add(on.sound()));
      suspect.off().ifPresent(off -> sounds.add(off.sound()));
    }
    return sounds.stream().distinct().toList();
  }

  private void checkSurvey(String name, List<String> wrong) {
    if (!Files.isDirectory(path)) {
      return;
    }
    try {
      int torn = SurveyFile.read(new BookFolder(path).survey(name)).torn();
      if (torn > 0) {
        wrong.add(name + ": " + torn + " rows cannot be read; the others are whole");
      }
    } catch (Trouble e) {
      wrong.add(e.line());
    }
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
