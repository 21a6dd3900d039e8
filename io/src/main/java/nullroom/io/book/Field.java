package nullroom.io.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.KitField;
import tools.jackson.databind.JsonNode;

/** A place in a JSON document that knows its path, so that whatever is wrong there can be named. */
record Field(String path, JsonNode node) {
  /** What is quoted of a document is no longer than this. */
  private static final int LONGEST_QUOTE = 60;

  private Trouble.BadField bad(String sentence) {
    return new Trouble.BadField(path, sentence);
  }

  private static String quoted(Object text) {
    String whole = String.valueOf(text);
    return whole.length() <= LONGEST_QUOTE
        ? whole
        : whole.substring(0, LONGEST_QUOTE)
            + " (and "
            + (whole.length() - LONGEST_QUOTE)
            + " more)";
  }

  private Field child(String name, JsonNode child) {
    return new Field(path.isEmpty() ? name : path + "." + name, child);
  }

  Field object() {
    if (!node.isObject()) {
      throw bad("must be an object { ... }");
    }
    return this;
  }

  Optional<Field> optional(String name) {
    JsonNode child = node.get(name);
    return child == null || child.isNull() ? Optional.empty() : Optional.of(child(name, child));
  }

  Field required(String name) {
    return optional(name)
        .orElseThrow(
            () -> new Trouble.BadField(path.isEmpty() ? name : path + "." + name, "is missing"));
  }

  double number() {
    if (!node.isNumber() || !Double.isFinite(node.doubleValue())) {
      throw bad("must be a number, not " + quoted(node));
    }
    return node.doubleValue();
  }

  double number(String name, double otherwise) {
    return optional(name).map(Field::number).orElse(otherwise);
  }

  String text() {
    if (!node.isString()) {
      throw bad("must be a text in quotes, not " + quoted(node));
    }
    return node.stringValue();
  }

  boolean flag() {
    if (!node.isBoolean()) {
      throw bad("must be true or false, not " + quoted(node));
    }
    return node.booleanValue();
  }

  /** A number that may be missing. */
  OptionalDouble figure(String name) {
    Optional<Field> figure = optional(name);
    return figure.isPresent() ? OptionalDouble.of(figure.get().number()) : OptionalDouble.empty();
  }

  /** A plain file name, which cannot lead out of its folder. */
  String soundName() {
    String name = text();
    if (!name.matches("[\\w. -]+") || name.contains("..")) {
      throw bad("must be a plain file name");
    }
    return name;
  }

  boolean isText(String text) {
    return node.isString() && node.stringValue().equals(text);
  }

  List<Field> elements() {
    if (!node.isArray()) {
      throw bad("must be a list [ ... ]");
    }
    List<Field> all = new ArrayList<>();
    for (int i = 0; i < node.size(); i++) {
      all.add(new Field(path + "[" + i + "]", node.get(i)));
    }
    return all;
  }

  List<Field> elements(String name) {
    return optional(name).map(Field::elements).orElse(List.of());
  }

  List<Field> members() {
    object();
    return node.properties().stream().map(e -> child(e.getKey(), e.getValue())).toList();
  }

  String name() {
    return path.substring(path.lastIndexOf('.') + 1);
  }

  double[] numbers(int count) {
    List<Field> all = elements();
    if (all.size() != count) {
      throw bad("must hold " + count + " numbers, not " + all.size());
    }
    return all.stream().mapToDouble(Field::number).toArray();
  }

  Bands bands() {
    return Bands.of(numbers(Octave.COUNT));
  }

  /** One of a closed set. */
  <E extends Enum<E> & Keyed> E oneOf(Class<E> set) {
    String key = text();
    return Keyed.find(set, key)
        .orElseThrow(() -> bad("'" + quoted(key) + "' is none of " + Keyed.keys(set)));
  }

  /**
   * A text of a thing on the shelf as it is kept.
   *
   * @throws Trouble.BadField with this place, where it cannot be
   */
  String within(KitField field, String text) {
    try {
      return field.checked(text);
    } catch (Trouble.BadField e) {
      throw bad(String.valueOf(e.getMessage()));
    }
  }

  /** Builds a value whose own checks name members of this place. */
  <T> T named(Supplier<T> build) {
    try {
      return build.get();
    } catch (Trouble.BadField e) {
      throw new Trouble.BadField(path + "." + e.place(), String.valueOf(e.getMessage()));
    }
  }

  /** Builds a value whose own checks are about this place. */
  <T> T checked(Supplier<T> build) {
    try {
      return build.get();
    } catch (IllegalArgumentException e) {
      throw bad(String.valueOf(e.getMessage()));
    }
  }
}
