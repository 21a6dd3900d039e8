package nullroom.io.book;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.Shelf;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The shelf of kit as JSON: a list for each kind of thing, and how far boom and stands reach. */
final class ShelfJson {
  private static final String BOOM = "boomMetres";
  private static final String STAND = "standMetres";
  private static final String SHOT = "shot";

  private ShelfJson() {}

  static Shelf read(Field f) {
    f.object();
    List<Kit> all = new ArrayList<>();
    for (Kit.Kind kind : Kit.Kind.values()) {
      f.elements(kind.key()).forEach(e -> all.add(kit(kind, e)));
    }
    Shelf bare =
        Shelf.EMPTY.withReach(
            f.number(BOOM, Shelf.EMPTY.boomMetres()), f.number(STAND, Shelf.EMPTY.standMetres()));
    Optional<Shelf.Shot> shot = f.optional(SHOT).map(s -> s.oneOf(Shelf.Shot.class));
    return new Shelf(all, bare.boomMetres(), bare.standMetres(), shot);
  }

  private static Kit kit(Kit.Kind kind, Field f) {
    Map<KitField, String> stated = new EnumMap<>(KitField.class);
    for (KitField field : kind.fields()) {
      f.object()
          .optional(field.key())
          .filter(member -> !text(field, member).isEmpty())
          .ifPresent(member -> stated.put(field, member.within(field, text(field, member))));
    }
    String name = f.required("name").text();
    return f.named(() -> new Kit(kind, name, stated));
  }

  private static String text(KitField field, Field member) {
    return switch (field.form()) {
      case NUMBER -> String.valueOf(member.number());
      case FLAG -> String.valueOf(member.flag());
      case CHOICE -> member.text();
      case CHOICES -> member.elements().stream().map(Field::text).collect(Collectors.joining(" "));
    };
  }

  static ObjectNode write(Shelf shelf, ObjectNode out) {
    for (Kit.Kind kind : Kit.Kind.values()) {
      List<Kit> kit = shelf.of(kind);
      if (!kit.isEmpty()) {
        ArrayNode all = out.putArray(kind.key());
        kit.forEach(k -> write(k, all.addObject()));
      }
    }
    out.put(BOOM, shelf.boomMetres()).put(STAND, shelf.standMetres());
    shelf.shot().ifPresent(s -> out.put(SHOT, s.id()));
    return out;
  }

  private static void write(Kit kit, ObjectNode out) {
    out.put("name", kit.name());
    kit.stated()
        .forEach((field, text) -> {
          switch (field.form()) {
            case NUMBER -> out.put(field.key(), Double.parseDouble(text));
            case FLAG -> out.put(field.key(), text.equals("true"));
            case CHOICE -> out.put(field.key(), text);
            case CHOICES -> {
              ArrayNode all = out.putArray(field.key());
              for (String key : text.split(" ")) {
                all.add(key);
              }
            }
          }
        });
  }
}
