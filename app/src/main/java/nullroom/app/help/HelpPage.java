package nullroom.app.help;

import java.util.ArrayList;
import java.util.List;

/**
 * One page of help.
 *
 * @param id that does not change
 * @param title for people
 * @param paragraphs of plain words
 */
public record HelpPage(String id, String title, List<String> paragraphs) {
  private static final String HEAD = "== ";

  public HelpPage {
    paragraphs = List.copyOf(paragraphs);
  }

  /** All that ship with the program, in the order in which they are read. */
  public static List<HelpPage> all() {
    List<HelpPage> pages = new ArrayList<>();
    List<String> paragraphs = new ArrayList<>();
    String head = "";
    for (String line : Resource.lines("pages")) {
      if (line.startsWith(HEAD)) {
        add(pages, head, paragraphs);
        head = line.substring(HEAD.length());
        paragraphs.clear();
      } else if (!line.isBlank()) {
        paragraphs.add(line);
      }
    }
    add(pages, head, paragraphs);
    return pages;
  }

  private static void add(List<HelpPage> pages, String head, List<String> paragraphs) {
    if (!head.isEmpty()) {
      String[] parts = head.split("\\|", 2);
      pages.add(new HelpPage(parts[0].strip(), parts[1].strip(), paragraphs));
    }
  }
}
