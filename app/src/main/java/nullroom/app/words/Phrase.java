package nullroom.app.words;

import java.util.ArrayList;
import java.util.Arrays;
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
  private final Pattern near;
  private final Pattern far;

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
    this.near = pattern(e, "(.*?)");
    this.far = pattern(e, "(.*)");
  }

  private static boolean shares(String e, String o, int atE, int atO) {
    return e.length() > 1
        && o.length() > 1
        && e.charAt(atE) == o.charAt(atO)
        && MARKS.indexOf(e.charAt(atE)) >= 0;
  }

  private static Pattern pattern(String text, String gap) {
    String[] fixed = PLACE.split(text, -1);
    return Pattern.compile(
        String.join(gap, Arrays.stream(fixed).map(Pattern::quote).toList()), Pattern.DOTALL);
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
    return WORD.matcher(PLACE.matcher(english).replaceAll("}{$1{"))
        .results()
        .map(m -> m.group())
        .toList();
  }

  /**
   * What was put into a text of this message, in the order of the text: the shortest first pieces,
   * and the longest where that differs; empty if it is no text of this message.
   */
  List<List<String>> match(String text) {
    List<List<String>> found = new ArrayList<>();
    put(near, text).ifPresent(found::add);
    if (!found.isEmpty() && places.size() > 1) {
      put(far, text).filter(f -> !f.equals(found.getFirst())).ifPresent(found::add);
    }
    return found;
  }

  private static Optional<List<String>> put(Pattern pattern, String text) {
    Matcher matcher = pattern.matcher(text);
    if (!matcher.matches()) {
      return Optional.empty();
    }
    List<String> pieces = new ArrayList<>();
    for (int i = 1; i <= matcher.groupCount(); i++) {
      pieces.add(matcher.group(i));
    }
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
