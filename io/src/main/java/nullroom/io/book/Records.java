package nullroom.io.book;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.Point;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.EnumNamingStrategies;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;

/**
 * Records whose members in a book bear the names of their components: the library reads and writes
 * them, and what is wrong is said with its place. Absent figures are left out; lists that are left
 * out are empty; constants are written in camel case.
 */
final class Records {
  private static final JsonMapper JSON =
      JsonMapper.builder()
          .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_ABSENT))
          .withConfigOverride(
              List.class,
              o ->
                  o.setNullHandling(
                      JsonSetter.Value.forContentNulls(Nulls.FAIL).withValueNulls(Nulls.AS_EMPTY)))
          .enumNamingStrategy(EnumNamingStrategies.LOWER_CAMEL_CASE)
          .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
          .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .addMixIn(NoiseSource.class, AtMetre.class)
          .addModule(
              new SimpleModule()
                  .addDeserializer(double.class, new Read<>(Field::number))
                  .addDeserializer(Double.class, new Read<>(Field::number))
                  .addDeserializer(int.class, new Read<>(f -> (int) f.number()))
                  .addDeserializer(long.class, new Read<>(f -> (long) f.number()))
                  .addDeserializer(String.class, new Read<>(Field::text))
                  .addDeserializer(boolean.class, new Read<>(Field::flag, false))
                  .addDeserializer(
                      OptionalDouble.class,
                      new Read<>(f -> OptionalDouble.of(f.number()), OptionalDouble.empty()))
                  .addDeserializer(Bands.class, new Read<>(Field::bands))
                  .addSerializer(Bands.class, new Write<>(b -> RoomJson.numbers(b.toArray())))
                  .addDeserializer(Point.class, new Read<>(RoomJson::point))
                  .addSerializer(Point.class, new Write<>(RoomJson::numbers))
                  .addDeserializer(Capture.class, new Read<>(PlacedJson::capture))
                  .addSerializer(
                      Capture.class,
                      new Write<>(c -> {
                        ObjectNode out = JsonMapper.shared().createObjectNode();
                        PlacedJson.write(c, out);
                        return out;
                      })))
          .build();

  private Records() {}

  private interface AtMetre {
    @JsonProperty("octaveDbSplAtMetre")
    Bands dbSplAtMetre();
  }

  /**
   * A record from a place of a document.
   *
   * @throws Trouble.BadField naming what is wrong in it
   */
  static <T> T read(Field f, Class<T> type) {
    f.object();
    try {
      return JSON.treeToValue(f.node(), type);
    } catch (DatabindException e) {
      throw trouble(f.path(), e);
    }
  }

  /** What a record is in a document. */
  static ObjectNode tree(Object value) {
    return (ObjectNode) JSON.valueToTree(value);
  }

  private static Trouble.BadField trouble(String path, DatabindException e) {
    StringBuilder place = new StringBuilder(path);
    for (var step : e.getPath()) {
      if (step.getPropertyName() == null) {
        place.append('[').append(step.getIndex()).append(']');
      } else {
        place.append(place.isEmpty() ? "" : ".").append(step.getPropertyName());
      }
    }
    Throwable cause = e.getCause();
    String inner = cause instanceof Trouble t && !t.place().isEmpty() ? "." + t.place() : "";
    String sentence =
        e instanceof InvalidFormatException wrong && wrong.getTargetType().isEnum()
            ? "'" + wrong.getValue() + "' is none of those that there are"
            : cause == null ? "is missing or of another kind" : String.valueOf(cause.getMessage());
    return new Trouble.BadField(place + inner, sentence);
  }

  private static final class Read<T> extends ValueDeserializer<T> {
    private final Function<Field, T> read;
    private final @Nullable T absent;

    Read(Function<Field, T> read, @Nullable T absent) {
      this.read = read;
      this.absent = absent;
    }

    Read(Function<Field, T> read) {
      this(read, null);
    }

    @Override
    public T deserialize(JsonParser in, DeserializationContext context) {
      return read.apply(new Field("", (JsonNode) context.readTree(in)));
    }

    @Override
    public @Nullable T getNullValue(DeserializationContext context) {
      return absent;
    }
  }

  private static final class Write<T> extends ValueSerializer<T> {
    private final Function<T, JsonNode> tree;

    Write(Function<T, JsonNode> tree) {
      this.tree = tree;
    }

    @Override
    public void serialize(T value, JsonGenerator out, SerializationContext context) {
      context.writeTree(out, tree.apply(value));
    }
  }
}
