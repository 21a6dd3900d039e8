package nullroom.app.shell;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.input.KeyEvent;
import nullroom.app.words.Language;

/**
 * All that the program can be told to do. Each command has a path of two characters, its group's
 * and its own, so that it is three keys away: one that opens the commands, and these two.
 */
public final class Commands {
  /** What a command may be called by where the letters of its name are taken. */
  private static final String SPARE = "abcdefghijklmnopqrstuvwxyz123456789";

  private final Map<String, Command> byPath = new LinkedHashMap<>();

  /** Those, in the order in which they are shown within their groups. */
  public Commands(List<Command> all) {
    Map<Group, List<Command>> groups = new EnumMap<>(Group.class);
    all.forEach(c -> groups.computeIfAbsent(c.group(), g -> new ArrayList<>()).add(c));
    groups.forEach((group, commands) ->
        commands.forEach(c -> byPath.put("" + group.key() + letter(group, c), c)));
  }

  private char letter(Group group, Command command) {
    String name = sought(command.name());
    String wanted = initials(name) + letters(name) + SPARE;
    return (char)
        wanted
            .chars()
            .filter(c -> !byPath.containsKey("" + group.key() + (char) c))
            .findFirst()
            .orElseThrow(() -> new IllegalStateException("too many commands in " + group));
  }

  private static String initials(String name) {
    StringBuilder first = new StringBuilder();
    for (String word : name.split("[^a-z]+")) {
      first.append(word.isEmpty() ? "" : word.substring(0, 1));
    }
    return first.toString();
  }

  private static String letters(String name) {
    return name.replaceAll("[^a-z]", "");
  }

  /** All of them with their paths, group by group. */
  public Map<String, Command> all() {
    return java.util.Collections.unmodifiableMap(byPath);
  }

  /** What a key does; empty where it does nothing, or not now. */
  public Optional<Command> on(KeyEvent key) {
    return byPath.values().stream()
        .filter(c -> c.key().filter(k -> k.match(key)).isPresent() && c.ready().get())
        .findFirst();
  }

  /**
   * Those that fit what was typed, the best first: a path, or the beginnings of words, all of which
   * must be found.
   */
  public List<Map.Entry<String, Command>> find(String typed) {
    String text = plain(typed.strip());
    if (text.isEmpty()) {
      return List.of();
    }
    boolean group =
        text.length() <= 2 && byPath.keySet().stream().anyMatch(p -> p.startsWith(text));
    if (group) {
      return byPath.entrySet().stream().filter(e -> e.getKey().startsWith(text)).toList();
    }
    return byPath.entrySet().stream()
        .filter(e -> rank(e.getValue(), text) < NONE)
        .sorted(Comparator.comparingInt(e -> rank(e.getValue(), text)))
        .toList();
  }

  private static final int NONE = 1000;

  /**
   * 0 for a name that begins so; more, the further off; {@link #NONE} where a word is not found.
   */
  private static int rank(Command command, String text) {
    String name = sought(command.name());
    if (name.startsWith(text)) {
      return 0;
    }
    int sum = 1;
    for (String word : text.split("\\s+")) {
      int found =
          begins(name, word)
              ? 0
              : begins(sought(command.group().label()), word)
                  ? 2
                  : begins(sought(command.about()), word) ? 3 : name.contains(word) ? 4 : NONE;
      sum = Math.min(NONE, sum + found);
    }
    return sum;
  }

  private static String sought(String words) {
    return plain(Language.say(words));
  }

  /**
   * Small letters without marks over them, as people type them in a hurry: "störer" as "storer".
   */
  private static String plain(String words) {
    return Normalizer.normalize(words.toLowerCase(Locale.ROOT), Normalizer.Form.NFD)
        .replaceAll("\\p{M}", "")
        .replace("ß", "ss");
  }

  private static boolean begins(String text, String word) {
    for (String part : text.split("[^\\p{L}\\d]+")) {
      if (part.startsWith(word)) {
        return true;
      }
    }
    return false;
  }
}
