package nullroom.io.book;

import java.util.Optional;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.PorousLayer;
import nullroom.core.room.Alternative;
import nullroom.core.room.Finish;
import tools.jackson.databind.node.ObjectNode;

/** What surfaces and things are made of, and what they can be turned into. */
final class FinishJson {
  private FinishJson() {}

  private static Bands scattering(Field f) {
    return f.optional("scattering")
        .map(s -> s.node().isArray() ? s.bands() : Bands.all(s.number()))
        .orElse(Bands.all(Finish.DEFAULT_SCATTERING));
  }

  static Finish read(Field f) {
    Bands scattering = scattering(f);
    Optional<Field> porous = f.optional("porous");
    if (porous.isPresent()) {
      return porous.get().checked(() -> new Finish.Porous(layer(porous.get()), scattering));
    }
    Optional<Field> numbers = f.optional("absorption");
    return f.checked(() ->
        numbers.isPresent()
            ? stated(f, numbers.get(), scattering)
            : new Finish.Listed(f.required("material").text(), scattering));
  }

  private static PorousLayer layer(Field f) {
    return new PorousLayer(
        f.required("flowResistivity").number(),
        f.required("thicknessMetres").number(),
        f.number("gapMetres", 0));
  }

  private static Finish.Stated stated(Field f, Field numbers, Bands scattering) {
    String name = f.optional("materialName").map(Field::text).orElse("");
    return new Finish.Stated(name, numbers.bands(), scattering);
  }

  /** A material of the user's own. */
  static Finish.Stated own(Field f) {
    f.object().required("materialName");
    Field numbers = f.required("absorption");
    return f.checked(() -> stated(f, numbers, scattering(f)));
  }

  static Optional<Alternative> otherwise(Field f) {
    return f.optional("otherwise")
        .map(o ->
            o.object()
                .checked(() ->
                    new Alternative(
                        f.required("state").text(), o.required("state").text(), read(o))));
  }

  static void write(Optional<Alternative> alternative, ObjectNode out) {
    alternative.ifPresent(a -> {
      out.put("state", a.now());
      ObjectNode otherwise = out.putObject("otherwise").put("state", a.then());
      write(a.finish(), otherwise);
    });
  }

  static void write(Finish finish, ObjectNode out) {
    switch (finish) {
      case Finish.Listed listed -> out.put("material", listed.materialId());
      case Finish.Porous porous ->
          out.putObject("porous")
              .put("flowResistivity", porous.layer().flowResistivity())
              .put("thicknessMetres", porous.layer().thicknessMetres())
              .put("gapMetres", porous.layer().gapMetres());
      case Finish.Stated stated -> {
        if (!stated.name().isEmpty()) {
          out.put("materialName", stated.name());
        }
        out.set("absorption", RoomJson.numbers(stated.absorption().toArray()));
      }
    }
    out.set("scattering", RoomJson.numbers(finish.scattering().toArray()));
  }
}
