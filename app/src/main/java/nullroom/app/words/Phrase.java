package nullroom.app.words;

import java.util.ArrayList;
import java.util.LinkedList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One message in English and in another language; {@code {0}}, {@code {1}} … stand for what is put
 * in. What sets a message off from its neighbours (spaces around it, the same mark before or behind
 * in both languages) is no part of it.
 */
final class Phrase {
  private static final Pattern PLACE = Pattern.compile("\\{(\\d)}");
  private static final Pattern WORD = Pattern.compile("(?<![\\p{L}}])\\p{L}{2,}(?![\\p{L}{])");
  private static final String MARKS = ",;:.";

  private final String english;
  private final String other;
  private final List<Integer> places;
  private final String[] fixed;
  private final List<String> words;
  private final int letters;

  Phrase(String english, String other) {
    String e = english.strip();
    String o = other.strip();
    while (shares(e, o, 0, 0)) {
      e = e.substring(1).strip();
      o = o.substring(1).strip();
    }
    while (shares(e, o, e.length() - 1, o.length() - 1)) {
      e = e.substring(0, e.length() - 1).strip();
      o = o.substring(0, o.length() - 1).strip();
    }
    this.english = e;
    this.other = o;
    this.places = PLACE.matcher(e).results().map(m -> Integer.parseInt(m.group(1))).toList();
    this.fixed = PLACE.split(e, -1);
    this.words =
        WORD.matcher(PLACE.matcher(e).replaceAll("}{$1{")).results().map(m -> m.group()).toList();
    this.letters = (int) String.join("", fixed).chars().filter(Character::isLetter).count();
  }

  private static boolean shares(String e, String o, int atE, int atO) {
    return e.length() > 1
        && o.length() > 1
        && e.charAt(atE) == o.charAt(atO)
        && MARKS.indexOf(e.charAt(atE)) >= 0;
  }

  /** The English of it. */
  String english() {
    return english;
  }

  /** The other language of it. */
  String other() {
    return other;
  }

  /** How many things are put in. */
  int places() {
    return places.size();
  }

  /** The words that every text of this message holds whole. */
  List<String> words() {
    return words;
  }

  /** How many letters of every text of this message are its own. */
  int letters() {
    return letters;
  }

  /**
   * What was put into a text of this message, in the order of the text: the shortest first pieces,
   * and the longest where that differs; empty if it is no text of this message.
   */
  List<List<String>> match(String text) {
    String first = fixed[0];
    String last = fixed[fixed.length - 1];
    int end = text.length() - last.length();
    if (end < first.length() || !text.startsWith(first) || !text.endsWith(last)) {
      return List.of();
    }
    List<List<String>> found = new ArrayList<>();
    near(text, first.length(), end).ifPresent(found::add);
    if (!found.isEmpty() && fixed.length > 2) {
      far(text, first.length(), end).filter(f -> !f.equals(found.getFirst())).ifPresent(found::add);
    }
    return found;
  }

  private Optional<List<String>> near(String text, int from, int end) {
    List<String> pieces = new ArrayList<>();
    int at = from;
    for (int i = 1; i < fixed.length - 1; i++) {
      int next = text.indexOf(fixed[i], at);
      if (next < 0 || next + fixed[i].length() > end) {
        return Optional.empty();
      }
      pieces.add(text.substring(at, next));
      at = next + fixed[i].length();
    }
    pieces.add(text.substring(at, end));
    return Optional.of(pieces);
  }

  private Optional<List<String>> far(String text, int from, int end) {
    LinkedList<String> pieces = new LinkedList<>();
    int to = end;
    for (int i = fixed.length - 2; i > 0; i--) {
      int next = text.lastIndexOf(fixed[i], to - fixed[i].length());
      if (next < from) {
        return Optional.empty();
      }
      pieces.addFirst(text.substring(next + fixed[i].length(), to));
      to = next;
    }
    pieces.addFirst(text.substring(from, to));
    return Optional.of(pieces);
  }

  /** The other language with things put in, given in the order of the English text. */
  String with(List<String> pieces) {
    return PLACE
        .matcher(other)
        .replaceAll(
            m -> Matcher.quoteReplacement(pieces.get(places.indexOf(Integer.valueOf(m.group(1))))));
  }
}
