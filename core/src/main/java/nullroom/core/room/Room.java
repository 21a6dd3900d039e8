package nullroom.core.room;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Air;
import nullroom.core.acoustics.Bands;

/**
 * A room and what stands in it.
 *
 * @param name for people
 * @param outline floor polygon
 * @param ceiling what closes it above
 * @param air its air
 * @param finishes by surface: floor, ceiling, wall1, wall2, ...; "walls" stands for all walls not
 *     named
 * @param patches pieces on surfaces; where they lie the surface's own finish does not count
 * @param objects loose objects in sabins
 * @param furniture what stands in a place
 * @param talker who speaks, where known
 * @param microphone what listens, where known
 * @param noiseDbSpl diffuse room noise in octaves, where known
 * @param sources what makes noise in a place of its own, besides
 * @param camera that films the talker, where there is one
 */
public record Room(
    String name,
    Outline outline,
    Ceiling ceiling,
    Air air,
    Map<String, Finish> finishes,
    List<Patch> patches,
    List<LooseObject> objects,
    List<Furniture> furniture,
    Optional<Talker> talker,
    Optional<PlacedMicrophone> microphone,
    Optional<Bands> noiseDbSpl,
    List<NoiseSource> sources,
    Optional<Camera> camera) {

  /** More of them would be traced for minutes, and no room at home has so many. */
  private static final int MOST_CORNERS = 60;

  private static final int MOST_FURNITURE = 60;
  private static final int MOST_PATCHES = 200;

  /** Pieces that were cut to meet may share a hair's breadth, square metres. */
  private static final double MOST_SHARED = 0.005;

  private static final double REACH_STEP = 0.05;

  /** A room without furniture, camera or noise sources of a place of their own. */
  public Room(
      String name,
      Outline outline,
      Ceiling ceiling,
      Air air,
      Map<String, Finish> finishes,
      List<Patch> patches,
      List<LooseObject> objects,
      Optional<Talker> talker,
      Optional<PlacedMicrophone> microphone,
      Optional<Bands> noiseDbSpl) {
    this(
        name,
        outline,
        ceiling,
        air,
        finishes,
        patches,
        objects,
        List.of(),
        talker,
        microphone,
        noiseDbSpl,
        List.of(),
        Optional.empty());
  }

  public Room {
    finishes = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(finishes));
    patches = List.copyOf(patches);
    objects = List.copyOf(objects);
    furniture = List.copyOf(furniture);
    sources = List.copyOf(sources);
    Hull hull = new Hull(outline, ceiling);
    checkFinishes(hull.surfaceNames(), finishes);
    checkCount("outline", outline.corners().size(), MOST_CORNERS, "corners");
    checkCount("patches", patches.size(), MOST_PATCHES, "pieces on surfaces");
    checkCount("objects", objects.size(), MOST_PATCHES, "objects");
    checkCount("furniture", furniture.size(), MOST_FURNITURE, "pieces of furniture");
    checkPatches(hull, patches);
    talker.ifPresent(t -> checkInside(hull, "talker.at", t.at()));
    microphone.ifPresent(m -> checkInside(hull, "microphone.at", m.at()));
    camera.ifPresent(c -> checkInside(hull, "camera.at", c.at()));
    for (int i = 0; i < sources.size(); i++) {
      checkInside(hull, "noise.sources[" + i + "].at", sources.get(i).at());
    }
    for (int i = 0; i < furniture.size(); i++) {
      String field = "furniture[" + i + "]";
      furniture.get(i).check(field, outline, hull::heightAt);
      furniture.get(i).checkFree(field, "talker", talker.map(Talker::at));
      furniture.get(i).checkFree(field, "microphone", microphone.map(PlacedMicrophone::at));
      furniture.get(i).checkFree(field, "camera", camera.map(Camera::at));
    }
    if (talker.isPresent()
        && microphone.isPresent()
        && talker.get().at().distanceTo(microphone.get().at()) < 0.005) {
      throw new Trouble.BadField(
          "microphone.at", "the microphone is where the lips are; move it at least 1 cm away");
    }
  }

  private Hull hull() {
    return new Hull(outline, ceiling);
  }

  private static void checkFinishes(List<String> names, Map<String, Finish> finishes) {
    for (String surface : finishes.keySet()) {
      if (!surface.equals("walls") && !names.contains(surface)) {
        throw new Trouble.BadField(
            "surfaces." + surface, "there is no such surface; there are " + names);
      }
    }
    for (String surface : names) {
      if (finish(finishes, surface).isEmpty()) {
        throw new Trouble.BadField("surfaces." + surface, "has no material");
      }
    }
  }

  private static void checkCount(String field, int count, int most, String what) {
    if (count > most) {
      throw new Trouble.BadField(
          field, "holds " + count + " " + what + "; a room here has " + most + " at most");
    }
  }

  private static void checkPatches(Hull hull, List<Patch> patches) {
    List<String> names = hull.surfaceNames();
    for (int i = 0; i < patches.size(); i++) {
      if (!names.contains(patches.get(i).surface())) {
        throw new Trouble.BadField(
            "patches[" + i + "].surface",
            "there is no surface '" + patches.get(i).surface() + "'; there are " + names);
      }
    }
    for (int i = 0; i < patches.size(); i++) {
      Patch patch = patches.get(i);
      String field = "patches[" + i + "]";
      if (!Polygons.holds(hull.polygon(patch.surface()), patch.corners())) {
        throw new Trouble.BadField(
            field + ".corners",
            "'" + patch.name() + "' reaches beyond " + patch.surface() + ", which it lies on");
      }
      for (Patch below : patches.subList(0, i)) {
        if (below.surface().equals(patch.surface())
            && Polygons.shared(below.corners(), patch.corners()) > MOST_SHARED) {
          throw new Trouble.BadField(
              field,
              "'" + patch.name() + "' and '" + below.name() + "' overlap on " + patch.surface());
        }
      }
    }
  }

  private static void checkInside(Hull hull, String field, Point at) {
    if (!hull.holds(at)) {
      throw new Trouble.BadField(field, "lies outside the room");
    }
  }

  /** Whether a point lies within. */
  public boolean holds(Point at) {
    return hull().holds(at);
  }

  private static Optional<Finish> finish(Map<String, Finish> finishes, String surface) {
    Finish own = finishes.get(surface);
    return Optional.ofNullable(
        own == null && surface.startsWith("wall") ? finishes.get("walls") : own);
  }

  /** floor, ceiling, wall1, wall2, ... */
  public List<String> surfaceNames() {
    return hull().surfaceNames();
  }

  /** What a surface is made of. */
  public Finish finishOf(String surface) {
    return finish(finishes, surface)
        .orElseThrow(() -> new IllegalArgumentException("no surface " + surface));
  }

  /** Volume in cubic metres. */
  public double volume() {
    return hull().volume();
  }

  /** Area of a surface with all that lies on it, square metres. */
  public double areaOf(String surface) {
    return hull().area(surface);
  }

  /** Height of the ceiling over a point of the plan. */
  public double heightAt(Point p) {
    return hull().heightAt(p);
  }

  /** A point of a surface in the surface's own axes, as in {@link Patch}. */
  public Point local(String surface, Point at) {
    return Hull.local(outline, surface, at);
  }

  /** A point in the plane of a surface, given in the surface's own axes as in {@link Patch}. */
  Point unbounded(String surface, Point local) {
    return hull().unbounded(surface, local);
  }

  /**
   * A point of a surface, given in the surface's own axes as in {@link Patch}; empty where the
   * surface ends before.
   */
  public Optional<Point> on(String surface, double u, double v) {
    return hull().on(surface, u, v);
  }

  /** Whether a piece lies within its surface; it may lie on the very edge. */
  public boolean carries(Patch patch) {
    return surfaceNames().contains(patch.surface())
        && Polygons.holds(hull().polygon(patch.surface()), patch.corners());
  }

  /** Whether a piece lies within its surface and on no other piece. */
  public boolean hasPlaceFor(Patch patch) {
    return carries(patch)
        && patches.stream()
            .filter(p -> p.surface().equals(patch.surface()))
            .noneMatch(p -> Polygons.shared(p.corners(), patch.corners()) > MOST_SHARED);
  }

  /** Area of a piece where it lies, on a slope that of the slope, square metres. */
  public double areaOf(Patch patch) {
    return hull().area(patch.surface(), patch.corners());
  }

  /** How far one gets from a point before the room ends, metres, in steps of 5 cm. */
  public double reach(Point from, Aim aim) {
    double metres = 0;
    while (metres < Outline.MAX_METRES && holds(from.plus(aim.direction(), metres + REACH_STEP))) {
      metres += REACH_STEP;
    }
    return metres;
  }

  /** Length of a wall along the floor, metres. */
  public double wallLength(String surface) {
    return Hull.wallLength(outline, surface);
  }

  /** Whether this is a rectangular box with a flat ceiling. */
  public boolean isBox() {
    return hull().isBox();
  }

  /** Length, width and height of the box around the room. */
  public Point size() {
    return hull().size();
  }

  /** The whole boundary: what is left of each surface, then its patches. */
  public List<Face> faces() {
    List<Face> faces = new ArrayList<>();
    Hull hull = hull();
    for (String surface : hull.surfaceNames()) {
      int pair = hull.pairOf(surface);
      double left = hull.area(surface);
      for (Patch patch : patches) {
        if (patch.surface().equals(surface)) {
          double area = hull.area(surface, patch.corners());
          left -= area;
          faces.add(new Face(surface, area, patch.finish().absorption(), pair));
        }
      }
      if (left > 1e-9) {
        faces.add(new Face(surface, left, finishOf(surface).absorption(), pair));
      }
    }
    return faces;
  }

  /**
   * Who speaks.
   *
   * @throws Trouble.BadField where nobody does
   */
  public Talker requireTalker() {
    return talker.orElseThrow(
        () -> new Trouble.BadField("talker", "this room has no talker; add one to predict"));
  }

  /**
   * What listens.
   *
   * @throws Trouble.BadField where nothing does
   */
  public PlacedMicrophone requireMicrophone() {
    return microphone.orElseThrow(() ->
        new Trouble.BadField("microphone", "this room has no microphone; add one to predict"));
  }

  /** The one place where a copy of the same shape is made; what is not told stays. */
  private Room with(
      Map<String, Finish> newFinishes,
      List<Patch> newPatches,
      List<LooseObject> newObjects,
      List<Furniture> newFurniture,
      Optional<Talker> newTalker,
      Optional<PlacedMicrophone> newMicrophone,
      Optional<Bands> newNoise,
      List<NoiseSource> newSources,
      Optional<Camera> newCamera) {
    return new Room(
        name,
        outline,
        ceiling,
        air,
        newFinishes,
        newPatches,
        newObjects,
        newFurniture,
        newTalker,
        newMicrophone,
        newNoise,
        newSources,
        newCamera);
  }

  private Room with(List<Patch> newPatches, List<LooseObject> newObjects, List<Furniture> more) {
    return with(
        finishes, newPatches, newObjects, more, talker, microphone, noiseDbSpl, sources, camera);
  }

  private Room with(
      Optional<Talker> newTalker,
      Optional<PlacedMicrophone> newMicrophone,
      Optional<Camera> newCamera) {
    return with(
        finishes,
        patches,
        objects,
        furniture,
        newTalker,
        newMicrophone,
        noiseDbSpl,
        sources,
        newCamera);
  }

  /** A copy with other patches. */
  public Room withPatches(List<Patch> other) {
    return with(other, objects, furniture);
  }

  /** A copy with one more patch. */
  public Room plus(Patch patch) {
    List<Patch> more = new ArrayList<>(patches);
    more.add(patch);
    return withPatches(more);
  }

  /** A copy with another microphone. */
  public Room withMicrophone(PlacedMicrophone other) {
    return with(talker, Optional.of(other), camera);
  }

  /** A copy with another talker and another microphone. */
  public Room withPeople(Talker otherTalker, PlacedMicrophone otherMicrophone) {
    return with(Optional.of(otherTalker), Optional.of(otherMicrophone), camera);
  }

  /** A copy with another talker. */
  public Room withTalker(Talker other) {
    return with(Optional.of(other), microphone, camera);
  }

  /** A copy with other furniture. */
  public Room withFurniture(List<Furniture> other) {
    return with(patches, objects, other);
  }

  /** A copy with other loose objects. */
  public Room withObjects(List<LooseObject> other) {
    return with(patches, other, furniture);
  }

  /** A copy with another camera, or none. */
  public Room withCamera(Optional<Camera> other) {
    return with(talker, microphone, other);
  }

  /** What loose objects take up together, square metres per octave. */
  public Bands looseArea() {
    Bands sum = Bands.all(0);
    for (LooseObject o : objects) {
      sum = sum.with(o.absorptionArea(), Double::sum);
    }
    return sum;
  }

  /** What loose objects and furniture take up together, square metres per octave. */
  public Bands objectArea() {
    Bands sum = looseArea();
    for (Furniture f : furniture) {
      sum = sum.with(f.absorptionArea(), Double::sum);
    }
    return sum;
  }

  /** A copy with other room noise, diffuse alone. */
  public Room withNoise(Bands levelsDbSpl) {
    return withNoise(levelsDbSpl, sources);
  }

  /** A copy with other room noise: diffuse, and from places. */
  public Room withNoise(Bands levelsDbSpl, List<NoiseSource> otherSources) {
    return with(
        finishes,
        patches,
        objects,
        furniture,
        talker,
        microphone,
        Optional.of(levelsDbSpl),
        otherSources,
        camera);
  }

  /** A copy with another finish on one surface. */
  public Room withFinish(String surface, Finish finish) {
    Map<String, Finish> other = new LinkedHashMap<>(finishes);
    other.put(surface, finish);
    return with(
        other, patches, objects, furniture, talker, microphone, noiseDbSpl, sources, camera);
  }

  /**
   * A copy of another shape, with what still fits in it.
   *
   * @throws Trouble.BadField where that is no room
   */
  public Room reshaped(Outline floor, Ceiling above) {
    return Reshaping.of(this, floor, above);
  }

  /**
   * A copy stretched along the three axes, its kind of ceiling kept. What stands in it keeps its
   * share of the way over the plan, and its height where there is room for it.
   *
   * @throws Trouble.BadField where no room of that size can be
   */
  public Room stretched(double x, double y, double z) {
    return Reshaping.stretched(this, x, y, z);
  }
}
