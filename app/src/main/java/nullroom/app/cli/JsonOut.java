package nullroom.app.cli;

import com.fasterxml.jackson.annotation.JsonValue;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/**
 * One JSON object in the order its keys are put. Members are numbers, texts, flags, lists, records
 * (by the names of their components) and other objects. Never writes NaN or infinity: such a
 * figure, and one that is absent, is null.
 */
final class JsonOut {
  /** More digits than any figure is good for, few enough to read. */
  private static final MathContext DIGITS = new MathContext(7);

  /** Larger whole numbers are written as they come. */
  private static final double LARGEST_WHOLE = 1e9;

  private static final JsonMapper JSON =
      JsonMapper.builder()
          .addModule(
              new SimpleModule()
                  .addSerializer(Double.class, new Rounded())
                  .addSerializer(double.class, new Rounded())
                  .addSerializer(OptionalDouble.class, new MaybeRounded()))
          .build();

  private final Map<String, @Nullable Object> members = new LinkedHashMap<>();

  @JsonValue
  Map<String, @Nullable Object> members() {
    return members;
  }

  JsonOut put(String key, @Nullable Object member) {
    members.put(key, member);
    return this;
  }

  JsonOut object(String key) {
    JsonOut child = new JsonOut();
    members.put(key, child);
    return child;
  }

  /** Takes over the members of another object. */
  void all(JsonOut other) {
    members.putAll(other.members);
  }

  private static final class Rounded extends ValueSerializer<Double> {
    @Override
    public void serialize(Double number, JsonGenerator out, SerializationContext context) {
      if (!Double.isFinite(number)) {
        out.writeNull();
        return;
      }
      BigDecimal rounded = new BigDecimal(number).round(DIGITS).stripTrailingZeros();
      if (rounded.scale() <= 0 && Math.abs(number) < LARGEST_WHOLE) {
        out.writeNumber(rounded.longValueExact());
      } else {
        out.writeNumber(rounded.doubleValue());
      }
    }
  }

  private static final class MaybeRounded extends ValueSerializer<OptionalDouble> {
    @Override
    public void serialize(OptionalDouble number, JsonGenerator out, SerializationContext context) {
      new Rounded().serialize(number.orElse(Double.NaN), out, context);
    }
  }

  /** Over several lines, to be read. */
  void print() {
    System.out.println(JSON.writerWithDefaultPrettyPrinter().writeValueAsString(members));
  }

  /** On one line, as one of many. */
  void printLine() {
    System.out.println(JSON.writeValueAsString(members));
  }
}
