package nullroom.app.shell;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nullroom.core.room.Furniture;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;

/**
 * Places of a document as people call what stands there: "furniture[1].at" is "the desk", and
 * "ceiling.heightMetres" is "ceiling height metres".
 */
public final class SpokenPlaces {
  private static final Pattern ONE_OF_MANY =
      Pattern.compile("\\b(furniture|patches|objects)\\[(\\d+)\\](?:\\.([A-Za-z]+))?");
  private static final Pattern NUMBERED = Pattern.compile("\\b([A-Za-z]+)\\[(\\d+)\\]");
  private static final Pattern PATH =
      Pattern.compile("^[a-z][A-Za-z]*(?:\\.[a-z][A-Za-z]*)+(?=: )");

  private SpokenPlaces() {}

  /** A sentence without the syntax of files. */
  public static String in(String sentence, Room room) {
    String named =
        ONE_OF_MANY
            .matcher(sentence)
            .replaceAll(m -> Matcher.quoteReplacement(name(m.group(1), m.group(2), room)));
    String counted =
        NUMBERED
            .matcher(named)
            .replaceAll(m -> m.group(1) + " " + (Integer.parseInt(m.group(2)) + 1));
    return PATH.matcher(counted).replaceAll(m -> words(m.group()));
  }

  private static String name(String list, String number, Room room) {
    List<String> names =
        switch (list) {
          case "furniture" -> room.contents().furniture().stream().map(Furniture::name).toList();
          case "patches" -> room.contents().patches().stream().map(Patch::name).toList();
          default -> room.contents().objects().stream().map(LooseObject::name).toList();
        };
    int at = number.length() > 4 ? Integer.MAX_VALUE : Integer.parseInt(number);
    return at < names.size() ? "the " + names.get(at) : "what was just put there";
  }

  private static String words(String path) {
    return path.replaceAll("([a-z])([A-Z])", "$1 $2").replace('.', ' ').toLowerCase(Locale.ROOT);
  }
}
