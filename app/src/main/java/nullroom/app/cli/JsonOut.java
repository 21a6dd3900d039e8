package nullroom.app.cli;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/**
 * One JSON object in the order its keys are put. Never writes NaN or infinity: such a figure is
 * null.
 */
final class JsonOut {
  /** More digits than any figure is good for, few enough to read. */
  private static final MathContext DIGITS = new MathContext(7);

  private final Map<String, @Nullable Object> members = new LinkedHashMap<>();

  void put(String key, double number) {
    members.put(key, rounded(number));
  }

  void put(String key, boolean flag) {
    members.put(key, flag);
  }

  void put(String key, long whole) {
    members.put(key, whole);
  }

  void put(String key, OptionalDouble number) {
    members.put(key, number.isPresent() ? rounded(number.getAsDouble()) : null);
  }

  void absent(String key) {
    members.put(key, null);
  }

  void text(String key, @Nullable String text) {
    members.put(key, text);
  }

  void texts(String key, List<String> texts) {
    members.put(key, texts);
  }

  JsonOut object(String key) {
    JsonOut child = new JsonOut();
    members.put(key, child.members);
    return child;
  }

  void array(String key, List<JsonOut> elements) {
    members.put(key, elements.stream().map(e -> e.members).toList());
  }

  void numbers(String key, long... numbers) {
    List<Long> list = new ArrayList<>();
    for (long n : numbers) {
      list.add(n);
    }
    members.put(key, list);
  }

  void figures(String key, List<Double> numbers) {
    members.put(key, numbers.stream().map(JsonOut::rounded).toList());
  }

  /** Takes over the members of another object. */
  void all(JsonOut other) {
    members.putAll(other.members);
  }

  private static @Nullable Object rounded(double number) {
    if (!Double.isFinite(number)) {
      return null;
    }
    BigDecimal short7 = new BigDecimal(number).round(DIGITS).stripTrailingZeros();
    return short7.scale() <= 0 && Math.abs(number) < 1e9
        ? (Object) short7.longValueExact()
        : (Object) short7.doubleValue();
  }

  void print() {
    System.out.println(
        JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(members));
  }
}
