package nullroom.app.room;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import nullroom.app.control.NumberField;
import nullroom.app.shell.StationContext;
import nullroom.app.words.Language;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.PorousLayer;
import nullroom.core.room.Finish;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Surface;

/** The material table, and layers of the user's own. */
public final class MaterialsModel {
  private static final List<String> NOT_SURFACES =
      List.of("absorber", "furniture", "people", "opening");

  private static final String OWN = "own:";
  private static final double MOST_CLOTH = 100;
  private static final int FACES = 2;

  private final StationContext context;

  MaterialsModel(StationContext context) {
    this.context = context;
  }

  /** Materials of the user's own, under the ids that are no id of the table. */
  private List<Material> own() {
    return context.session().book().materials().stream().map(MaterialsModel::material).toList();
  }

  private static Material material(Finish.Stated own) {
    return new Material(OWN + own.name(), own.name(), "own", own.absorption(), "your own figures");
  }

  /** The user's own and those of the table. */
  public List<Material> all() {
    return Stream.concat(own().stream(), Materials.all().stream()).toList();
  }

  /**
   * Whether a surface can be made of it; absorbers and furniture belong on one as pieces, not as
   * the surface.
   */
  public static boolean forSurfaces(Material material) {
    return !NOT_SURFACES.contains(material.category());
  }

  /** A material as what something is made of. */
  public Finish finish(Material material) {
    return material.id().startsWith(OWN)
        ? new Finish.Stated(
            material.name(), material.absorption(), Bands.all(Finish.DEFAULT_SCATTERING))
        : Finish.of(material.id());
  }

  /** The material that something is made of; empty where that is a layer or bare figures. */
  public Optional<Material> of(Finish finish) {
    return switch (finish) {
      case Finish.Listed listed -> Materials.find(listed.materialId());
      case Finish.Stated stated ->
          own().stream()
              .filter(
                  m -> m.name().equals(stated.name()) && m.absorption().equals(stated.absorption()))
              .findFirst();
      case Finish.Porous porous -> Optional.empty();
    };
  }

  /** Tells now, and whenever the book changes. */
  void follow(Runnable action) {
    context.session().bookProperty().subscribe(action);
    action.run();
  }

  /**
   * Keeps a material of the user's own.
   *
   * @throws Trouble.BadField without a name, with one that is taken, or with a share over one
   */
  public void keep(String name, Bands absorption) {
    String stripped = name.strip();
    if (stripped.isEmpty()) {
      throw new Trouble.BadField("material", "needs a name, such as “felt tiles”");
    }
    if (all().stream().anyMatch(m -> m.name().equalsIgnoreCase(stripped))) {
      throw new Trouble.BadField("material", "there is a material “" + stripped + "” already");
    }
    Finish.Stated own;
    try {
      own = new Finish.Stated(stripped, absorption, Bands.all(Finish.DEFAULT_SCATTERING));
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField(stripped, String.valueOf(e.getMessage()));
    }
    List<Finish.Stated> more = new ArrayList<>(context.session().book().materials());
    more.add(own);
    context.session().edit("Keep the material " + stripped, book -> book.withMaterials(more));
  }

  /** Forgets a material of the user's own; what is made of it stays so. */
  public void forget(Material own) {
    List<Finish.Stated> fewer =
        context.session().book().materials().stream()
            .filter(m -> !m.name().equals(own.name()))
            .toList();
    context.session().edit("Forget the material " + own.name(), book -> book.withMaterials(fewer));
  }

  /** Whether it is of the user's own. */
  public static boolean isOwn(Material material) {
    return material.id().startsWith(OWN);
  }

  /**
   * Eight figures as people type them, 63 Hz to 8 kHz.
   *
   * @throws Trouble.BadField where there are not eight numbers
   */
  public static Bands figures(String typed) {
    String[] parts = typed.strip().split("[\\s;]+");
    try {
      if (parts.length == Octave.COUNT) {
        return Bands.of(Arrays.stream(parts).mapToDouble(NumberField::parse).toArray());
      }
    } catch (NumberFormatException e) {
      // said below, as is a wrong count
    }
    throw new Trouble.BadField(
        "figures",
        "must be eight numbers, for 63, 125, 250, 500, 1000, 2000, 4000 and 8000 Hz, not “"
            + typed.strip()
            + "”");
  }

  /**
   * Hangs a layer free in the room, both faces open, as a loose thing.
   *
   * @throws Trouble.BadField where the area is none
   */
  public void hangFree(PorousLayer layer, double squareMetres) {
    if (!(squareMetres > 0 && squareMetres <= MOST_CLOTH)) {
      throw new Trouble.BadField("area", "must lie between 0 and 100 m²");
    }
    LooseObject cloth =
        new LooseObject(
            Figures.say("%.1f m² hung free", squareMetres),
            layer.absorptionHungFree().map(a -> FACES * a * squareMetres));
    context
        .session()
        .describe(
            "Hang a layer free",
            now -> {
              List<LooseObject> more = new ArrayList<>(now.objects());
              more.add(cloth);
              return now.withObjects(more);
            });
  }

  /** Materials whose name, kind or id holds every word. */
  public List<Material> search(String words) {
    String[] all = words.strip().toLowerCase(Locale.ROOT).split("\\s+");
    return all().stream()
        .filter(m -> {
          String text =
              String.join(" ", Language.say(m.name()), Language.say(m.category()), m.name(), m.id())
                  .toLowerCase(Locale.ROOT);
          return Arrays.stream(all).allMatch(text::contains);
        })
        .toList();
  }

  /** The material that takes up most alike. */
  public Material nearest(Bands absorption) {
    return all().stream()
        .min(Comparator.comparingDouble(m -> distance(m.absorption(), absorption)))
        .orElseThrow();
  }

  private static double distance(Bands a, Bands b) {
    double sum = 0;
    for (int i = 1; i < Octave.COUNT; i++) { // 63 Hz is estimated in the table
      sum += Math.pow(a.get(i) - b.get(i), 2);
    }
    return sum;
  }

  /** The room's surfaces. */
  public List<Surface> surfaces() {
    return context.session().book().room().surfaces();
  }

  /** Clads a whole surface with a layer. */
  public void clad(Surface surface, PorousLayer layer) {
    context
        .session()
        .describe(
            "Clad " + surface.spoken(),
            now ->
                now.withFinish(
                    surface, new Finish.Porous(layer, Bands.all(Finish.DEFAULT_SCATTERING))));
  }
}
