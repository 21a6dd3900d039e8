package nullroom.core.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import nullroom.core.acoustics.Bands;

/**
 * What is in a room.
 *
 * @param patches pieces on surfaces; where they lie the surface's own finish does not count
 * @param objects loose objects in sabins
 * @param furniture what stands in a place
 * @param screens cloth that stands free
 */
public record Contents(
    List<Patch> patches,
    List<LooseObject> objects,
    List<Furniture> furniture,
    List<Screen> screens) {
  /** An empty room's. */
  public static final Contents NOTHING = new Contents(List.of(), List.of(), List.of(), List.of());

  public Contents {
    patches = List.copyOf(patches);
    objects = List.copyOf(objects);
    furniture = List.copyOf(furniture);
    screens = List.copyOf(screens);
  }

  /** With other pieces on surfaces. */
  public Contents withPatches(List<Patch> others) {
    return new Contents(others, objects, furniture, screens);
  }

  /** With one more piece on a surface. */
  public Contents plus(Patch patch) {
    List<Patch> more = new ArrayList<>(patches);
    more.add(patch);
    return withPatches(more);
  }

  /** With other loose objects. */
  public Contents withObjects(List<LooseObject> others) {
    return new Contents(patches, others, furniture, screens);
  }

  /** With other furniture. */
  public Contents withFurniture(List<Furniture> others) {
    return new Contents(patches, objects, others, screens);
  }

  /** With other free-standing cloth. */
  public Contents withScreens(List<Screen> others) {
    return new Contents(patches, objects, furniture, others);
  }

  /** What loose objects take up together, square metres per octave. */
  public Bands looseArea() {
    Bands sum = Bands.all(0);
    for (LooseObject o : objects) {
      sum = sum.with(o.absorptionArea(), Double::sum);
    }
    return sum;
  }

  /** What loose objects, furniture and free cloth take up together, square metres per octave. */
  public Bands objectArea() {
    Bands sum = looseArea();
    for (Furniture f : furniture) {
      sum = sum.with(f.absorptionArea(), Double::sum);
    }
    for (Screen s : screens) {
      sum = sum.with(s.absorptionArea(), Double::sum);
    }
    return sum;
  }

  /** What pieces of furniture are called. */
  Set<String> furnitureNames() {
    return furniture.stream().map(Furniture::name).collect(Collectors.toSet());
  }
}
