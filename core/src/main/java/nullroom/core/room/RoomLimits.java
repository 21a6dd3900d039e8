package nullroom.core.room;

import java.util.List;
import nullroom.core.Trouble;

/** What a room cannot be, each with the field to blame. */
final class RoomLimits {
  /** More of them would be traced for minutes, and no room at home has so many. */
  private static final int MOST_CORNERS = 60;

  private static final int MOST_FURNITURE = 60;
  private static final int MOST_PATCHES = 200;
  private static final int MOST_SCREENS = 20;

  private RoomLimits() {}

  static void check(
      Enclosure enclosure, Finishes finishes, Contents contents, SetUp setUp, RoomNoise noise) {
    finishes.check(enclosure);
    count("outline", enclosure.outline().corners(), MOST_CORNERS, "corners");
    count("patches", contents.patches(), MOST_PATCHES, "pieces on surfaces");
    count("objects", contents.objects(), MOST_PATCHES, "objects");
    count("furniture", contents.furniture(), MOST_FURNITURE, "pieces of furniture");
    count("screens", contents.screens(), MOST_SCREENS, "screens");
    patches(enclosure, contents.patches());
    for (int i = 0; i < contents.screens().size(); i++) {
      contents.screens().get(i).check("screens[" + i + "]", enclosure);
    }
    SetUpLimits.check(enclosure, setUp, contents.furnitureNames());
    noise.check(enclosure);
    for (int i = 0; i < contents.furniture().size(); i++) {
      furniture("furniture[" + i + "]", contents.furniture().get(i), enclosure, setUp);
    }
  }

  private static void count(String field, List<?> all, int most, String what) {
    if (all.size() > most) {
      throw new Trouble.BadField(
          field, "holds " + all.size() + " " + what + "; a room here has " + most + " at most");
    }
  }

  private static void patches(Enclosure enclosure, List<Patch> patches) {
    for (int i = 0; i < patches.size(); i++) {
      if (!enclosure.has(patches.get(i).surface())) {
        throw new Trouble.BadField("patches[" + i + "].surface", Finishes.noneOf(enclosure));
      }
    }
    for (int i = 0; i < patches.size(); i++) {
      Patch patch = patches.get(i);
      Surface surface = patch.surface();
      String field = "patches[" + i + "]";
      if (!Polygons.holds(enclosure.polygon(surface), patch.corners())) {
        throw new Trouble.BadField(
            field + ".corners",
            "'" + patch.name() + "' reaches beyond " + surface.id() + ", which it lies on");
      }
      for (Patch below : patches.subList(0, i)) {
        if (below.overlaps(patch)) {
          throw new Trouble.BadField(
              field,
              "'" + patch.name() + "' and '" + below.name() + "' overlap on " + surface.id());
        }
      }
    }
  }

  private static void furniture(String field, Furniture piece, Enclosure enclosure, SetUp setUp) {
    piece.check(field, enclosure.outline(), enclosure::heightAt);
    SetUpLimits.each(setUp, (who, m) -> piece.checkFree(field, m.name(), m.it().at()));
  }
}
