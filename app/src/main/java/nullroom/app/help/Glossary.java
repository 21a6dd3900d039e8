package nullroom.app.help;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import nullroom.app.words.Language;

/** The terms of the trade that the program uses, each with what it means. */
public final class Glossary {
  /** One meaning said at a time is read; more are not. */
  private static final int MOST_AT_ONCE = 2;

  private static final Map<Language, Glossary> SHIPPED = new EnumMap<>(Language.class);

  /**
   * A term.
   *
   * @param name as it is listed
   * @param forms all the ways in which it is written, that name among them
   * @param meaning one or two sentences
   */
  public record Term(String name, List<String> forms, String meaning) {
    public Term {
      forms = List.copyOf(forms);
    }

    /** Name and meaning as one line. */
    public String line() {
      return name + ": " + meaning;
    }
  }

  private record Form(Pattern pattern, Term term) {}

  private final List<Term> terms;
  private final List<Form> forms = new ArrayList<>();

  private Glossary(List<Term> terms) {
    this.terms = List.copyOf(terms);
    for (Term term : terms) {
      for (String form : term.forms()) {
        boolean proper = !form.equals(form.toLowerCase(Locale.ROOT));
        forms.add(
            new Form(
                Pattern.compile(
                    "(?<![\\p{L}\\p{N}])" + Pattern.quote(form) + "(?![\\p{L}\\p{N}])",
                    proper ? 0 : Pattern.CASE_INSENSITIVE),
                term));
      }
    }
    forms.sort((a, b) -> b.pattern().pattern().length() - a.pattern().pattern().length());
  }

  private static Glossary read() {
    List<Term> all = new ArrayList<>();
    for (String line : Resource.lines("glossary")) {
      if (!line.startsWith("#") && !line.isBlank()) {
        String[] parts = line.split("\\|", 2);
        List<String> forms = Arrays.stream(parts[0].split(",")).map(String::strip).toList();
        all.add(new Term(forms.getFirst(), forms, parts[1].strip()));
      }
    }
    return new Glossary(all);
  }

  /** The one that ships with the program, in the language that is spoken. On the FX thread. */
  public static Glossary shipped() {
    return SHIPPED.computeIfAbsent(Language.spoken(), language -> read());
  }

  /** All terms, in the order of the list. */
  public List<Term> terms() {
    return terms;
  }

  /** The terms in a text, longer ones first, each once; no more than can be read at a glance. */
  public List<Term> in(String text) {
    List<Term> found = new ArrayList<>();
    String rest = text;
    for (Form form : forms) {
      if (found.size() < MOST_AT_ONCE && form.pattern().matcher(rest).find()) {
        if (!found.contains(form.term())) {
          found.add(form.term());
        }
        rest = form.pattern().matcher(rest).replaceAll(" ");
      }
    }
    return found;
  }

  /** The terms whose name, forms or meaning hold what was typed. */
  public List<Term> find(String typed) {
    String wanted = typed.strip().toLowerCase(Locale.ROOT);
    return terms.stream()
        .filter(t ->
            wanted.isEmpty()
                || t.forms().stream().anyMatch(f -> f.toLowerCase(Locale.ROOT).contains(wanted))
                || wanted.length() > 2 && t.meaning().toLowerCase(Locale.ROOT).contains(wanted))
        .toList();
  }
}
