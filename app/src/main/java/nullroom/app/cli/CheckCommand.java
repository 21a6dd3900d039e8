package nullroom.app.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import nullroom.core.Trouble;
import nullroom.core.book.Listening;
import nullroom.core.book.Place;
import nullroom.core.book.RoomBook;
import nullroom.core.book.SurveyNote;
import nullroom.core.book.Suspect;
import nullroom.io.audio.SoundFile;
import nullroom.io.book.BookFolder;
import nullroom.io.survey.SurveyFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "check",
    mixinStandardHelpOptions = true,
    description = "validate a room book or room file")
final class CheckCommand implements Callable<Integer> {
  /** However large the book: after this no further file is looked at. */
  private static final Duration LONGEST = Duration.ofSeconds(7);

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
      if (Files.isDirectory(path)) {
        checkFiles(book, wrong);
      }
    } catch (Trouble e) {
      wrong.add(e.line());
    }
    if (json) {
      JsonOut out = new JsonOut();
      out.put("name", name);
      out.put("valid", wrong.isEmpty());
      out.put("problems", wrong);
      out.print();
    } else if (wrong.isEmpty()) {
      System.out.println(path + ": a valid room book");
    }
    if (!wrong.isEmpty() && !json) {
      wrong.forEach(w -> System.err.println("nullroom: " + w));
    }
    return wrong.isEmpty() ? 0 : 1;
  }

  private void checkFiles(RoomBook book, List<String> wrong) {
    List<String> sounds = book.places().stream().flatMap(p -> sounds(p).stream()).toList();
    Instant end = Instant.now().plus(LONGEST);
    int left = 0;
    for (String sound : sounds.stream().distinct().toList()) {
      if (Instant.now().isAfter(end)) {
        left++;
      } else {
        checkSound(sound, wrong);
      }
    }
    List<SurveyNote> surveys =
        book.places().stream().flatMap(p -> p.listening().surveys().stream()).toList();
    for (SurveyNote survey : surveys) {
      if (Instant.now().isAfter(end)) {
        left++;
      } else {
        checkSurvey(survey.file(), wrong);
      }
    }
    if (left > 0) {
      wrong.add(left + " files were not looked at: that would take longer than 10 s");
    }
  }

  private static List<String> sounds(Place place) {
    List<String> sounds = new ArrayList<>();
    place.decays().measured().forEach(d -> sounds.add(d.sound()));
    place.decays().estimate().ifPresent(e -> sounds.add(e.sound()));
    Listening listening = place.listening();
    listening.noise().ifPresent(n -> sounds.add(n.sound()));
    listening.spots().forEach(spot -> sounds.add(spot.sound()));
    for (Suspect suspect : listening.suspects()) {
      suspect.on().ifPresent(on -> sounds.add(on.sound()));
      suspect.off().ifPresent(off -> sounds.add(off.sound()));
    }
    return sounds;
  }

  private void checkSurvey(String name, List<String> wrong) {
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
    try (SoundFile sound = SoundFile.open(new BookFolder(path).sounds().file(name))) {
      sound.read(new double[sound.channels()][1024]);
    } catch (Trouble e) {
      wrong.add(e.line());
    }
  }
}
