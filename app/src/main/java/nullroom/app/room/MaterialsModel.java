package nullroom.app.room;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import nullroom.app.shell.Desk;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.PorousLayer;
import nullroom.core.room.Finish;

/** The material table, and layers of the user's own. */
public final class MaterialsModel {
  private final Desk desk;

  MaterialsModel(Desk desk) {
    this.desk = desk;
  }

  /** Materials whose name, kind or id holds every word. */
  public List<Material> search(String words) {
    String[] all = words.strip().toLowerCase(Locale.ROOT).split("\\s+");
    return Materials.all().stream()
        .filter(m -> {
          String text = (m.name() + " " + m.category() + " " + m.id()).toLowerCase(Locale.ROOT);
          return Arrays.stream(all).allMatch(text::contains);
        })
        .toList();
  }

  /** The material of the table that takes up most alike. */
  public Material nearest(Bands absorption) {
    return Materials.all().stream()
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
  public List<String> surfaces() {
    return desk.session().book().room().surfaceNames();
  }

  /** Clads a whole surface with a layer. */
  public void clad(String surface, PorousLayer layer) {
    desk.session()
        .edit(
            "Clad " + surface,
            book ->
                book.with(
                    book.room()
                        .withFinish(
                            surface,
                            new Finish.Porous(layer, Bands.all(Finish.DEFAULT_SCATTERING)))));
  }
}
