package nullroom.app.shell;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.beans.value.ObservableValue;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import nullroom.app.words.Language;

/**
 * What a person has settled for all books: how figures are said, how the window looks, what records
 * and plays. Lives on the FX thread.
 */
public final class Preferences {
  /** The text sizes on offer, percent. */
  public static final List<Integer> TEXT_PERCENT = List.of(100, 115, 130, 150, 175, 200);

  /** The marks of money on offer; the first says none. */
  public static final List<String> CURRENCIES = List.of("", "€", "$", "£", "Fr.", "kr", "¥");

  private static final int MOST_RECENT = 8;
  private static final String RECENT = "book.";

  /** Light, dark, or as the system has it. */
  public enum Theme {
    SYSTEM("as the system has it"),
    PAPER("paper (light)"),
    LAMP_OFF("lamp off (dark)");

    private final String label;

    Theme(String label) {
      this.label = label;
    }

    /** Name for people. */
    public String label() {
      return label;
    }
  }

  private final ObjectProperty<Units> units;
  private final ObjectProperty<Language> language;
  private final ObjectProperty<Theme> theme = new SimpleObjectProperty<>(Theme.SYSTEM);
  private final ObjectProperty<Integer> textPercent = new SimpleObjectProperty<>(100);
  private final BooleanProperty decimalComma = new SimpleBooleanProperty();
  private final BooleanProperty asksBefore = new SimpleBooleanProperty(true);
  private final StringProperty currency = new SimpleStringProperty("");
  private final StringProperty input = new SimpleStringProperty("");
  private final StringProperty output = new SimpleStringProperty("");
  private final StringProperty booksFolder = new SimpleStringProperty("");
  private final StringProperty window = new SimpleStringProperty("");
  private final StringProperty page = new SimpleStringProperty("");
  private final ObservableList<Path> recent = FXCollections.observableArrayList();

  /** Those of somebody who has settled nothing yet, as the country does. */
  public Preferences(Locale country) {
    units = new SimpleObjectProperty<>(Units.of(country));
    language = new SimpleObjectProperty<>(Language.of(country));
    decimalComma.set(
        java.text.DecimalFormatSymbols.getInstance(country).getDecimalSeparator() == ',');
  }

  /** How lengths are said. */
  public ObjectProperty<Units> unitsProperty() {
    return units;
  }

  /** What the window speaks. */
  public ObjectProperty<Language> languageProperty() {
    return language;
  }

  /** Light or dark. */
  public ObjectProperty<Theme> themeProperty() {
    return theme;
  }

  /** Size of all text, one of {@link #TEXT_PERCENT}. */
  public ObjectProperty<Integer> textPercentProperty() {
    return textPercent;
  }

  /** Whether figures are said with a decimal comma. */
  public BooleanProperty decimalCommaProperty() {
    return decimalComma;
  }

  /** Whether a recording or a book is put away only after a question. */
  public BooleanProperty asksBeforeProperty() {
    return asksBefore;
  }

  /** Mark of money, one of {@link #CURRENCIES}. */
  public StringProperty currencyProperty() {
    return currency;
  }

  /** Name of the input chosen last; empty for the first that is found. */
  public StringProperty inputProperty() {
    return input;
  }

  /** Name of the output chosen last; empty for the system's. */
  public StringProperty outputProperty() {
    return output;
  }

  /** Where new books are kept; empty for the usual place. */
  public StringProperty booksFolderProperty() {
    return booksFolder;
  }

  /** Place and size of the window, as the window wrote them. */
  public StringProperty windowProperty() {
    return window;
  }

  /** Station and page shown last, as the window wrote them. */
  public StringProperty pageProperty() {
    return page;
  }

  /** The books opened last, the newest first. */
  public ObservableList<Path> recent() {
    return recent;
  }

  /** Puts a book in front of those opened last. */
  public void opened(Path book) {
    recent.remove(book);
    recent.addFirst(book);
    if (recent.size() > MOST_RECENT) {
      recent.remove(MOST_RECENT, recent.size());
    }
  }

  /** Tells every change from now on. */
  public void follow(Runnable changed) {
    Stream.<ObservableValue<?>>of(
            units,
            language,
            theme,
            textPercent,
            decimalComma,
            asksBefore,
            currency,
            input,
            output,
            booksFolder,
            page)
        .forEach(value -> value.subscribe((before, now) -> changed.run()));
    recent.subscribe(changed);
  }

  /** All of it as names and texts, to be kept. */
  public Map<String, String> toTexts() {
    Map<String, String> all = new TreeMap<>();
    all.put("units", units.get().label());
    all.put("language", language.get().code());
    all.put("theme", theme.get().name().toLowerCase(Locale.ROOT));
    all.put("text.percent", String.valueOf(textPercent.get()));
    all.put("decimal.comma", String.valueOf(decimalComma.get()));
    all.put("asks.before", String.valueOf(asksBefore.get()));
    all.put("currency", currency.get());
    all.put("input", input.get());
    all.put("output", output.get());
    all.put("books.folder", booksFolder.get());
    all.put("window", window.get());
    all.put("page", page.get());
    for (int i = 0; i < recent.size(); i++) {
      all.put(RECENT + i, recent.get(i).toString());
    }
    return all;
  }

  /**
   * Takes over what was kept; what cannot be read stays as it is.
   *
   * @return the names whose texts could not be read
   */
  public List<String> take(Map<String, String> texts) {
    List<String> bad = new ArrayList<>();
    take(texts, "units", Units::find, units::set, bad);
    take(texts, "language", Language::of, language::set, bad);
    take(texts, "theme", Preferences::theme, theme::set, bad);
    take(
        texts,
        "text.percent",
        t -> TEXT_PERCENT.stream().filter(p -> p.toString().equals(t)).findFirst(),
        textPercent::set,
        bad);
    take(texts, "decimal.comma", Preferences::flag, decimalComma::set, bad);
    take(texts, "asks.before", Preferences::flag, asksBefore::set, bad);
    take(
        texts,
        "currency",
        t -> CURRENCIES.stream().filter(t::equals).findFirst(),
        currency::set,
        bad);
    take(texts, "input", Optional::of, input::set, bad);
    take(texts, "output", Optional::of, output::set, bad);
    take(texts, "books.folder", t -> path(t).map(p -> t), booksFolder::set, bad);
    take(texts, "window", Optional::of, window::set, bad);
    take(texts, "page", Optional::of, page::set, bad);
    List<Path> books = new ArrayList<>();
    for (int i = 0; i < MOST_RECENT; i++) {
      take(texts, RECENT + i, Preferences::path, books::add, bad);
    }
    recent.setAll(books);
    return bad;
  }

  private static <T> void take(
      Map<String, String> texts,
      String name,
      Function<String, Optional<T>> read,
      java.util.function.Consumer<T> set,
      List<String> bad) {
    String text = texts.get(name);
    if (text != null) {
      read.apply(text).ifPresentOrElse(set, () -> bad.add(name));
    }
  }

  private static Optional<Theme> theme(String text) {
    return Arrays.stream(Theme.values())
        .filter(t -> t.name().toLowerCase(Locale.ROOT).equals(text))
        .findFirst();
  }

  private static Optional<Boolean> flag(String text) {
    return switch (text) {
      case "true" -> Optional.of(true);
      case "false" -> Optional.of(false);
      default -> Optional.empty();
    };
  }

  private static Optional<Path> path(String text) {
    try {
      return Optional.of(Path.of(text));
    } catch (InvalidPathException e) {
      return Optional.empty();
    }
  }
}
