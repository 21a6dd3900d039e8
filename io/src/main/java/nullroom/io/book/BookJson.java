package nullroom.io.book;

import java.util.function.Function;
import java.util.stream.Stream;
import nullroom.core.Trouble;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Decays;
import nullroom.core.book.Goal;
import nullroom.core.book.Listening;
import nullroom.core.book.Place;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.book.Spot;
import nullroom.core.room.Room;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The room book as JSON, documented in docs/book-format.md. */
final class BookJson {
  /** Raised with every change that an older program could not read. */
  static final int SCHEMA_VERSION = 5;

  /** Since then recordings keep the chain that they were made with. */
  private static final int CHAINS_SINCE = 3;

  /** Of two members of one name only one could be read: that is a fault, not a choice. */
  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder().enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION).build())
          .build();

  private BookJson() {}

  /** Whether a newer program wrote it. */
  static boolean isNewer(JsonNode node) {
    return node.path("schemaVersion").asInt(0) > SCHEMA_VERSION;
  }

  /** A newer book as one of this version: what is new in it is passed over. */
  static JsonNode asKnown(JsonNode node) {
    if (isNewer(node) && node.deepCopy() instanceof ObjectNode book) {
      return book.put("schemaVersion", SCHEMA_VERSION);
    }
    return node;
  }

  static RoomBook read(JsonNode node) {
    Field f = new Field("", node).object();
    double version = f.required("schemaVersion").number();
    if (version != Math.rint(version) || version < 1 || version > SCHEMA_VERSION) {
      throw new Trouble.BadField(
          "schemaVersion",
          "is "
              + (int) version
              + "; this program reads versions 1 to "
              + SCHEMA_VERSION
              + ". Use a newer one");
    }
    return new RoomBook(
        f.required("name").text(),
        f.required("goal").oneOf(Goal.class),
        place(f, (int) version),
        f.elements("otherPlaces").stream().map(p -> place(p.object(), (int) version)).toList(),
        (int) f.number("placesBefore", 0),
        f.elements("materials").stream().map(FinishJson::own).toList(),
        f.optional("shelf").map(ShelfJson::read).orElse(Shelf.EMPTY),
        f.optional("atHand").map(a -> PiecesJson.read(a.object())));
  }

  private static Place place(Field f, int version) {
    Room room = RoomJson.read(f.required("room").object());
    Listening listening = ListeningJson.read(f, version);
    return new Place(
        room,
        version < CHAINS_SINCE ? Chains.added(listening, room) : listening,
        decays(f),
        f.elements("recordingSpots").stream().map(BookJson::spot).toList(),
        LevelsJson.read(f),
        f.elements("keepClear").stream().map(PiecesJson::keepClear).toList(),
        f.optional("roomAssumed").filter(Field::flag).isEmpty());
  }

  private static Spot spot(Field f) {
    return new Spot(
        f.required("name").text(),
        RoomJson.point(f.required("talkerAt")),
        f.number("azimuthDegrees", 0),
        RoomJson.point(f.required("microphoneAt")));
  }

  private static void write(Spot spot, ObjectNode out) {
    out.put("name", spot.name()).put("azimuthDegrees", spot.azimuthDegrees());
    out.set("talkerAt", RoomJson.numbers(spot.talkerAt()));
    out.set("microphoneAt", RoomJson.numbers(spot.microphoneAt()));
  }

  private static Decays decays(Field f) {
    return new Decays(
        Stream.concat(f.optional("decay").stream(), f.elements("earlierDecays").stream())
            .map(BookJson::decay)
            .toList(),
        f.optional("decayEstimate").map(DecayJson::readEstimate));
  }

  private static DecayMeasurement decay(Field f) {
    return new DecayMeasurement(
        f.required("sound").soundName(),
        f.required("taken").text(),
        DecayJson.readPlace(f),
        DecayJson.read(f),
        f.required("predictedSeconds").bands(),
        NoiseJson.altered(f));
  }

  static ObjectNode write(RoomBook book) {
    ObjectNode out = JSON.createObjectNode();
    out.put("schemaVersion", SCHEMA_VERSION).put("name", book.name()).put("goal", book.goal().id());
    write(book.here(), out);
    if (!book.others().isEmpty()) {
      ArrayNode others = out.putArray("otherPlaces");
      book.others().forEach(p -> write(p, others.addObject()));
      out.put("placesBefore", book.at());
    }
    if (!book.shelf().equals(Shelf.EMPTY)) {
      ShelfJson.write(book.shelf(), out.putObject("shelf"));
    }
    book.atHand().ifPresent(hand -> PiecesJson.write(hand, out.putObject("atHand")));
    if (!book.materials().isEmpty()) {
      ArrayNode own = out.putArray("materials");
      book.materials().forEach(m -> FinishJson.write(m, own.addObject()));
    }
    return out;
  }

  private static void write(Place place, ObjectNode out) {
    out.set("room", RoomJson.write(place.room()));
    if (!place.described()) {
      out.put("roomAssumed", true);
    }
    PiecesJson.write(place.keepClear(), out);
    ListeningJson.write(place.listening(), out);
    Decays decays = place.decays();
    decays.measured().stream().findFirst().ifPresent(d -> write(d, out.putObject("decay")));
    if (decays.measured().size() > 1) {
      ArrayNode earlier = out.putArray("earlierDecays");
      decays.measured().stream().skip(1).forEach(d -> write(d, earlier.addObject()));
    }
    decays.estimate().ifPresent(e -> DecayJson.write(e, out.putObject("decayEstimate")));
    if (!place.spots().isEmpty()) {
      ArrayNode spots = out.putArray("recordingSpots");
      place.spots().forEach(s -> write(s, spots.addObject()));
    }
    LevelsJson.write(place.levels(), out);
  }

  private static void write(DecayMeasurement d, ObjectNode out) {
    out.put("sound", d.sound()).put("taken", d.taken());
    out.set("predictedSeconds", RoomJson.numbers(d.predictedSeconds().toArray()));
    NoiseJson.write(d.altered(), out);
    DecayJson.write(d.at(), out);
    DecayJson.write(d.report(), out);
  }

  /** Reads what a text holds; {@code place} turns a line and column into a sentence. */
  static JsonNode parse(byte[] text, Function<String, Trouble> place) {
    try {
      return JSON.readTree(text);
    } catch (tools.jackson.core.JacksonException e) {
      var at = e.getLocation();
      String where =
          at == null ? "" : " at line " + at.getLineNr() + ", column " + at.getColumnNr();
      String what = e.getOriginalMessage();
      throw place.apply(
          "is damaged"
              + where
              + (what.startsWith("Duplicate") ? ": " + what : ": it is no complete JSON"));
    }
  }
}
