package nullroom.core;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A constant of a closed set that has a key in files and on the command line. */
public interface Keyed {
  /** Its name in the code, in capitals with underscores. */
  String name();

  /** Its key: the name in camel case. */
  default String id() {
    String[] words = name().split("_", -1);
    return words[0].toLowerCase(Locale.ROOT)
        + Stream.of(words)
            .skip(1)
            .map(w -> Figures.capital(w.toLowerCase(Locale.ROOT)))
            .collect(Collectors.joining());
  }

  /** The one of a key. */
  static <E extends Enum<E> & Keyed> Optional<E> find(Class<E> set, String id) {
    return Stream.of(set.getEnumConstants()).filter(e -> e.id().equals(id)).findFirst();
  }

  /** All keys, for a sentence that says what there is. */
  static <E extends Enum<E> & Keyed> String keys(Class<E> set) {
    return Stream.of(set.getEnumConstants()).map(Keyed::id).collect(Collectors.joining(", "));
  }
}
