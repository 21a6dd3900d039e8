package nullroom.app.words;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nullroom.core.Figures;

/**
 * Turns whole texts of the program into another language. The program composes its texts from
 * messages, put into one another and one behind the other; this finds the messages again that leave
 * the fewest letters of a text unexplained. Names that people gave stay as they are.
 *
 * <p>English and German form plurals alike (CLDR: one, other), and the code words each form on its
 * own; so each is a message of its own here. Numbers come in as they are to be shown.
 */
final class Translation {
  /** More texts than the window ever shows at a time. */
  private static final int MOST_KEPT = 20_000;

  /** Texts of more pieces are no single message; only neighbours are tried together. */
  private static final int MOST_TOGETHER = 8;

  /** A message of such words alone joins two short things: "{0} on {1}". */
  private static final Set<String> JOINING =
      Set.of("on", "at", "in", "of", "by", "for", "and", "or", "with", "to", "from", "up", "down");

  private static final int LONGEST_JOINED = 60;

  /** Putting in and cutting are the last resort, told in letters left over. */
  private static final double PER_PLACE = 0.3;

  private static final double PER_CUT = 0.5;

  /** A message that costs no more is not looked for in parts. */
  private static final double PLAIN = 1;

  /** What stands beside each other rather than in one text. */
  private static final Pattern BLOCKS =
      Pattern.compile("\\n|\\s{2,}| · |(?<=[●◆▲✓○])\\s|(?<=^\\?)\\s|\\s(?=[●◆▲])");

  /** Where one sentence ends and another begins. */
  private static final Pattern SENTENCES = Pattern.compile("(?<=[.!?…])\\s+");

  /** Where one message may end and another begin within a sentence. */
  private static final Pattern CLAUSES =
      Pattern.compile("(?<=[,;:)])\\s+|\\s+(?=\\()|(?<=\\()|(?=\\))|(?<=“)|(?=”)");

  private static final Pattern NUMBER =
      Pattern.compile("(?<![\\p{L}\\d.,])\\d+(?:[.,:]\\d+)*(?![\\p{L}])");

  /** Stands for the first number of a text, the next character for the second; of private use. */
  private static final char MARK = '\uE000';

  private static final int MOST_NUMBERS = 100;

  private static final Pattern DECIMAL_COMMA =
      Pattern.compile("(?<=(?<![\\p{L}\\d.,])\\d{1,9}),(?=\\d+(?![.,]?\\d))");

  private static final Pattern DECIMAL_POINT =
      Pattern.compile("(?<=(?<![\\p{L}\\d.,])\\d{1,9})\\.(?=\\d+(?![.,]?\\d))");

  private static final Pattern WORD = Pattern.compile("\\p{L}+");

  /** Units, standards and signs that are the same everywhere. */
  private static final Pattern SAME =
      Pattern.compile(
          "(?:dB(?:A|C|SPL|FS|TP|u|V)?|k?Hz|[cm]?m|ms|s|min|kg|SPL|LUFS?|NC|NR|[A-Z]|A|kbit|bit|Mbit|k|h|TD|"
              + "MB|GB|Pa|mV|x|y|ISO|IEC|AES|EBU|ITU|ANSI|WAV|CSV|JSON|SVG|PNG|PDF|MP|AAC)");

  /**
   * A text found.
   *
   * @param letters that no message explains
   * @param cuts what its composing costs besides
   */
  private record Said(String text, double letters, double cuts) {
    double left() {
      return letters + cuts;
    }

    Said as(String otherText) {
      return new Said(otherText, letters, cuts);
    }
  }

  private static final Comparator<Phrase> MOST_OWN_FIRST =
      Comparator.comparingInt(Phrase::letters).reversed();

  private final Map<String, Phrase> exact = new HashMap<>();
  private final Map<String, List<Phrase>> byWord = new HashMap<>();
  private final List<Phrase> wordless = new ArrayList<>();
  private final Map<String, Said> known = new ConcurrentHashMap<>();

  /** What was said already is said as it is. */
  private final Map<String, Said> shown = new ConcurrentHashMap<>();

  Translation(List<Phrase> phrases) {
    Map<String, Integer> often = new HashMap<>();
    for (Phrase p : phrases) {
      p.words().forEach(w -> often.merge(w, 1, Integer::sum));
    }
    for (Phrase p : phrases) {
      if (p.places() == 0) {
        exact.putIfAbsent(p.english(), p);
      } else {
        p.words().stream()
            .min((a, b) -> Integer.compare(often.getOrDefault(a, 0), often.getOrDefault(b, 0)))
            .ifPresentOrElse(
                rarest -> byWord.computeIfAbsent(rarest, w -> new ArrayList<>()).add(p),
                () -> wordless.add(p));
      }
    }
    wordless.sort(MOST_OWN_FIRST);
  }

  /** A text in the other language; what is in no message stays as it is. */
  String of(String text) {
    return whole(text).text();
  }

  /** How many letters of a text no message explains. */
  double lettersLeft(String text) {
    return whole(text).letters();
  }

  private Said whole(String text) {
    Said said = shown.get(text);
    if (said == null) {
      said = anew(text);
      keep(shown, text, said);
      shown.putIfAbsent(said.text(), said);
    }
    return said;
  }

  /** By what the same text was with other numbers in it, if its messages state none themselves. */
  private Said anew(String text) {
    List<String> numbers = NUMBER.matcher(text).results().map(m -> m.group()).toList();
    if (!exact.containsKey(bare(text)) && !numbers.isEmpty() && numbers.size() < MOST_NUMBERS) {
      int[] at = {0};
      String shape = NUMBER.matcher(text).replaceAll(m -> String.valueOf((char) (MARK + at[0]++)));
      Said said = translated(shape);
      if (said.letters() == 0) {
        String filled = said.text();
        for (int i = 0; i < numbers.size(); i++) {
          filled = filled.replace(String.valueOf((char) (MARK + i)), numbers.get(i));
        }
        return said.as(filled);
      }
    }
    return DECIMAL_COMMA.matcher(text).find() ? withPoints(text) : translated(text);
  }

  /** Messages that state figures themselves state them with a decimal point. */
  private Said withPoints(String text) {
    Said said = translated(DECIMAL_COMMA.matcher(text).replaceAll("."));
    return said.as(DECIMAL_POINT.matcher(said.text()).replaceAll(","));
  }

  private Said translated(String text) {
    Said before = known.get(text);
    Said said = before == null ? shown.get(text) : before;
    if (said == null) {
      said = parts(text);
      keep(known, text, said);
    }
    return said;
  }

  private static void keep(Map<String, Said> in, String text, Said said) {
    if (in.size() > MOST_KEPT) {
      in.clear();
    }
    in.put(text, said);
  }

  /** One message, or several one behind the other: sentences first, then parts of them. */
  private Said parts(String text) {
    Said whole = message(text);
    if (whole.left() <= PLAIN) {
      return whole;
    }
    for (Pattern between : List.of(BLOCKS, SENTENCES)) {
      List<int[]> pieces = pieces(text, between);
      if (pieces.size() > 1) {
        return composed(text, pieces, whole, this::translated);
      }
    }
    return composed(text, pieces(text, CLAUSES), whole, this::message);
  }

  /** The best way to take neighbouring pieces together, each span of them one message. */
  private Said composed(String text, List<int[]> pieces, Said whole, Single single) {
    int n = pieces.size();
    if (n < 2) {
      return whole;
    }
    Said[] best = new Said[n + 1];
    best[0] = new Said("", 0, 0);
    for (int end = 1; end <= n; end++) {
      for (int from = end - 1; from >= Math.max(0, end - MOST_TOGETHER); from--) {
        String span = text.substring(pieces.get(from)[0], pieces.get(end - 1)[1]);
        Said so = from == 0 && end == n ? whole : from == end - 1 ? single.of(span) : message(span);
        double cuts = best[from].cuts() + so.cuts() + (from == 0 ? 0 : PER_CUT);
        double letters = best[from].letters() + so.letters();
        if (best[end] == null || letters + cuts < best[end].left()) {
          String gap =
              from == 0 ? "" : text.substring(pieces.get(from - 1)[1], pieces.get(from)[0]);
          best[end] = new Said(best[from].text() + gap + so.text(), letters, cuts);
        }
      }
    }
    Said all = best[n];
    return whole.left() <= all.left()
        ? whole
        : all.as(
            text.substring(0, pieces.getFirst()[0])
                + all.text()
                + text.substring(pieces.getLast()[1]));
  }

  private interface Single {
    Said of(String text);
  }

  private static List<int[]> pieces(String text, Pattern where) {
    List<int[]> pieces = new ArrayList<>();
    Matcher cut = where.matcher(text);
    int from = 0;
    while (cut.find()) {
      if (cut.start() > from) {
        pieces.add(new int[] {from, cut.start()});
      }
      from = cut.end();
    }
    if (from < text.length()) {
      pieces.add(new int[] {from, text.length()});
    }
    return pieces;
  }

  /** A text as one message, with its marks before and behind, its first letter large or small. */
  private Said message(String text) {
    String core = bare(text);
    int from = text.indexOf(core);
    int to = from + core.length();
    if (!WORD.matcher(core).find()) {
      return new Said(text, 0, 0);
    }
    Said best = one(core);
    for (int end = to + 1; end <= text.length() && best.left() > 0; end++) {
      best = better(best, one(text.substring(from, end)), text.substring(to, end));
    }
    if (best.left() > 0) {
      best = otherwiseBegun(core, best);
    }
    return best.as(text.substring(0, from) + best.text() + text.substring(to));
  }

  /** The same with its first letter small that is large at the head of a sentence, or large. */
  private Said otherwiseBegun(String core, Said best) {
    char first = core.charAt(0);
    boolean isLarge = Character.isUpperCase(first);
    char other = isLarge ? Character.toLowerCase(first) : Character.toUpperCase(first);
    Said so = one(other + core.substring(1));
    if (so.left() >= best.left()) {
      return best;
    }
    return isLarge ? so.as(Figures.capital(so.text())) : so;
  }

  /** Takes a message that needs its last mark, whose own is then not said twice. */
  private static Said better(Said best, Said withMark, String mark) {
    if (withMark.left() >= best.left()) {
      return best;
    }
    String text = withMark.text();
    return withMark.as(
        text.endsWith(mark) ? text.substring(0, text.length() - mark.length()) : text);
  }

  /** Without the spaces and marks around it. */
  private static String bare(String text) {
    int from = 0;
    int to = text.length();
    while (from < to && isAround(text.charAt(from))) {
      from++;
    }
    while (to > from && isAround(text.charAt(to - 1))) {
      to--;
    }
    return text.substring(from, to);
  }

  private static boolean isAround(char c) {
    return Character.isWhitespace(c) || ",;:.".indexOf(c) >= 0;
  }

  private Said one(String text) {
    Said before = shown.get(text);
    if (before != null) {
      return before;
    }
    Phrase same = exact.get(text);
    if (same != null) {
      return new Said(same.other(), 0, 0);
    }
    Said best = new Said(text, unexplained(text), 0);
    boolean isLong = text.length() > LONGEST_JOINED || SENTENCES.matcher(text).find();
    for (Phrase p : candidates(text)) {
      if (isLong && JOINING.containsAll(p.words())) {
        continue;
      }
      for (List<String> pieces : p.match(text)) {
        Said so = with(p, pieces, best.left());
        if (so.left() < best.left()) {
          best = so;
        }
      }
      if (best.letters() == 0) {
        return best; // those that follow say less of it themselves
      }
    }
    return best;
  }

  /**
   * A message with what is put in said, too; given up where it leaves more than is left at most.
   */
  private Said with(Phrase p, List<String> pieces, double most) {
    double letters = 0;
    double cuts = PER_PLACE * pieces.size();
    List<String> said = new ArrayList<>();
    for (String piece : pieces) {
      Said inner = translated(piece);
      said.add(inner.text());
      letters += inner.letters();
      cuts += inner.cuts();
      if (letters + cuts >= most) {
        return new Said("", letters, cuts);
      }
    }
    return new Said(p.with(said), letters, cuts);
  }

  private List<Phrase> candidates(String text) {
    Set<Phrase> all = new LinkedHashSet<>();
    Matcher word = WORD.matcher(text);
    while (word.find()) {
      all.addAll(byWord.getOrDefault(word.group(), List.of()));
    }
    List<Phrase> sorted = new ArrayList<>(all);
    sorted.sort(MOST_OWN_FIRST);
    sorted.addAll(wordless);
    return sorted;
  }

  private static double unexplained(String text) {
    double letters = 0;
    Matcher word = WORD.matcher(text);
    while (word.find()) {
      if (!SAME.matcher(word.group()).matches()) {
        letters += word.group().length();
      }
    }
    return letters;
  }
}
