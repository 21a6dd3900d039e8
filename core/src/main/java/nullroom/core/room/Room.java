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
    List<NoiseSource> sources) {

  /** More of them would be traced for minutes, and no room at home has so many. */
  private static final int MOST_CORNERS = 60;

  private static final int MOST_FURNITURE = 60;
  private static final int MOST_PATCHES = 200;

  /** A room without furniture or noise sources of a place of their own. */
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
        List.of());
  }

  public Room {
    finishes = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(finishes));
    patches = List.copyOf(patches);
    objects = List.copyOf(objects);
    furniture = List.copyOf(furniture);
    sources = List.copyOf(sources);
    List<String> names = surfaceNames(outline);
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
    checkCount("outline", outline.corners().size(), MOST_CORNERS, "corners");
    checkCount("patches", patches.size(), MOST_PATCHES, "pieces on surfaces");
    checkCount("objects", objects.size(), MOST_PATCHES, "objects");
    checkCount("furniture", furniture.size(), MOST_FURNITURE, "pieces of furniture");
    List<Ceiling.Plane> planes = planes(ceiling, outline);
    checkPatches(outline, planes, names, patches);
    talker.ifPresent(t -> checkInside(outline, planes, "talker.at", t.at()));
    microphone.ifPresent(m -> checkInside(outline, planes, "microphone.at", m.at()));
    for (int i = 0; i < sources.size(); i++) {
      checkInside(outline, planes, "noise.sources[" + i + "].at", sources.get(i).at());
    }
    for (int i = 0; i < furniture.size(); i++) {
      String field = "furniture[" + i + "]";
      furniture.get(i).check(field, outline, p -> height(planes, p));
      furniture.get(i).checkFree(field, "talker", talker.map(Talker::at));
      furniture.get(i).checkFree(field, "microphone", microphone.map(PlacedMicrophone::at));
    }
    if (talker.isPresent()
        && microphone.isPresent()
        && talker.get().at().distanceTo(microphone.get().at()) < 0.005) {
      throw new Trouble.BadField(
          "microphone.at", "the microphone is where the lips are; move it at least 1 cm away");
    }
  }

  private static void checkCount(String field, int count, int most, String what) {
    if (count > most) {
      throw new Trouble.BadField(
          field, "holds " + count + " " + what + "; a room here has " + most + " at most");
    }
  }

  private static List<Ceiling.Plane> planes(Ceiling ceiling, Outline outline) {
    try {
      return ceiling.planes(outline);
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("ceiling", String.valueOf(e.getMessage()));
    }
  }

  private static void checkPatches(
      Outline outline, List<Ceiling.Plane> planes, List<String> names, List<Patch> patches) {
    for (int i = 0; i < patches.size(); i++) {
      if (!names.contains(patches.get(i).surface())) {
        throw new Trouble.BadField(
            "patches[" + i + "].surface",
            "there is no surface '" + patches.get(i).surface() + "'; there are " + names);
      }
    }
    for (String surface : names) {
      double covered =
          patches.stream().filter(p -> p.surface().equals(surface)).mapToDouble(Patch::area).sum();
      double area = area(outline, planes, surface);
      if (covered > area * 1.001) {
        throw new Trouble.BadField(
            "patches",
            String.format(
                java.util.Locale.ROOT,
                "the pieces on %s cover %.2f m2, but it has only %.2f m2",
                surface,
                covered,
                area));
      }
    }
  }

  private static void checkInside(
      Outline outline, List<Ceiling.Plane> planes, String field, Point at) {
    double head = planes.stream().mapToDouble(p -> p.heightAt(at)).min().orElseThrow();
    if (!outline.contains(at) || at.z() < 0 || at.z() > head) {
      throw new Trouble.BadField(field, "lies outside the room");
    }
  }

  /** Whether a point lies within. */
  public boolean holds(Point at) {
    return outline.contains(at) && at.z() >= 0 && at.z() <= heightAt(at);
  }

  private static Optional<Finish> finish(Map<String, Finish> finishes, String surface) {
    Finish own = finishes.get(surface);
    return Optional.ofNullable(
        own == null && surface.startsWith("wall") ? finishes.get("walls") : own);
  }

  private static List<String> surfaceNames(Outline outline) {
    List<String> names = new ArrayList<>(List.of("floor", "ceiling"));
    for (int k = 1; k <= outline.corners().size(); k++) {
      names.add("wall" + k);
    }
    return names;
  }

  /** floor, ceiling, wall1, wall2, ... */
  public List<String> surfaceNames() {
    return surfaceNames(outline);
  }

  /** What a surface is made of. */
  public Finish finishOf(String surface) {
    return finish(finishes, surface)
        .orElseThrow(() -> new IllegalArgumentException("no surface " + surface));
  }

  /** Volume in cubic metres. */
  public double volume() {
    return ceiling.planes(outline).stream().mapToDouble(Ceiling.Plane::volume).sum();
  }

  /** Area of a surface with all that lies on it, square metres. */
  public double areaOf(String surface) {
    return area(outline, ceiling.planes(outline), surface);
  }

  private static double area(Outline outline, List<Ceiling.Plane> planes, String surface) {
    if (surface.equals("floor")) {
      return outline.area();
    }
    if (surface.equals("ceiling")) {
      return planes.stream().mapToDouble(Ceiling.Plane::slopeArea).sum();
    }
    int k = Integer.parseInt(surface.substring("wall".length()));
    Point a = outline.corners().get(k - 1);
    Point b = outline.corners().get(k % outline.corners().size());
    return wallArea(planes, a, b);
  }

  /** The wall under its ceiling; in two parts where the ridge crosses it. */
  private static double wallArea(List<Ceiling.Plane> planes, Point a, Point b) {
    Point middle = a.plus(b.minus(a), 0.5);
    double length = a.distanceTo(b);
    double ha = height(planes, a);
    double hb = height(planes, b);
    double hm = height(planes, middle);
    if (planes.size() == 1 || Math.abs(hm - (ha + hb) / 2) < 1e-9) {
      return length * (ha + hb) / 2;
    }
    int steps =
        2000; // a wall at any place under a ridge: trapezoids, exact but for the one that holds the
    // ridge
    double sum = 0;
    for (int i = 0; i < steps; i++) {
      double from = height(planes, a.plus(b.minus(a), (double) i / steps));
      double to = height(planes, a.plus(b.minus(a), (i + 1.0) / steps));
      sum += length / steps * (from + to) / 2;
    }
    return sum;
  }

  private static double height(List<Ceiling.Plane> planes, Point p) {
    return planes.stream().mapToDouble(plane -> plane.heightAt(p)).min().orElseThrow();
  }

  /** Height of the ceiling over a point of the plan. */
  public double heightAt(Point p) {
    return height(ceiling.planes(outline), p);
  }

  /** A point of a surface in the surface's own axes, as in {@link Patch}. */
  public Point local(String surface, Point at) {
    if (!surface.startsWith("wall")) {
      return new Point(at.x(), at.y(), 0);
    }
    int k = Integer.parseInt(surface.substring("wall".length()));
    Point a = outline.corners().get(k - 1);
    Point along = outline.corners().get(k % outline.corners().size()).minus(a);
    return new Point(at.minus(a).dot(along) / along.length(), at.z(), 0);
  }

  /** A point in the plane of a surface, given in the surface's own axes as in {@link Patch}. */
  Point unbounded(String surface, Point local) {
    if (surface.startsWith("wall")) {
      int k = Integer.parseInt(surface.substring("wall".length()));
      Point a = outline.corners().get(k - 1);
      Point b = outline.corners().get(k % outline.corners().size());
      Point foot = a.plus(b.minus(a), local.x() / a.distanceTo(b));
      return new Point(foot.x(), foot.y(), local.y());
    }
    double z = surface.equals("floor") ? 0 : heightAt(local);
    return new Point(local.x(), local.y(), z);
  }

  /**
   * A point of a surface, given in the surface's own axes as in {@link Patch}; empty where the
   * surface ends before.
   */
  public Optional<Point> on(String surface, double u, double v) {
    Point there = unbounded(surface, new Point(u, v, 0));
    boolean within =
        surface.startsWith("wall")
            ? u >= 0 && u <= wallLength(surface) && v >= 0 && v <= heightAt(there)
            : outline.contains(there);
    return within ? Optional.of(there) : Optional.empty();
  }

  /** Length of a wall along the floor, metres. */
  public double wallLength(String surface) {
    int k = Integer.parseInt(surface.substring("wall".length()));
    List<Point> corners = outline.corners();
    return corners.get(k - 1).distanceTo(corners.get(k % corners.size()));
  }

  /** Whether this is a rectangular box with a flat ceiling. */
  public boolean isBox() {
    return outline.isBox() && ceiling instanceof Ceiling.Flat;
  }

  /** Length, width and height of the box around the room. */
  public Point size() {
    double[] xs = outline.span(0);
    double[] ys = outline.span(1);
    double top = outline.corners().stream().mapToDouble(this::heightAt).max().orElseThrow();
    if (ceiling instanceof Ceiling.Gable gable) {
      top = gable.ridgeMetres();
    }
    return new Point(xs[1] - xs[0], ys[1] - ys[0], top);
  }

  /** The whole boundary: what is left of each surface, then its patches. */
  public List<Face> faces() {
    List<Face> faces = new ArrayList<>();
    List<Ceiling.Plane> planes = ceiling.planes(outline);
    for (String surface : surfaceNames()) {
      int pair = pairOf(surface);
      double left = area(outline, planes, surface);
      for (Patch patch : patches) {
        if (patch.surface().equals(surface)) {
          left -= patch.area();
          faces.add(new Face(surface, patch.area(), patch.finish().absorption(), pair));
        }
      }
      if (left > 1e-9) {
        faces.add(new Face(surface, left, finishOf(surface).absorption(), pair));
      }
    }
    return faces;
  }

  private int pairOf(String surface) {
    if (!surface.startsWith("wall")) {
      return 2;
    }
    int k = Integer.parseInt(surface.substring("wall".length()));
    Point a = outline.corners().get(k - 1);
    Point b = outline.corners().get(k % outline.corners().size());
    return Math.abs(b.x() - a.x()) < Math.abs(b.y() - a.y()) ? 0 : 1;
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

  /** The one place where a copy is made; what is not told stays. */
  private Room with(
      Map<String, Finish> newFinishes,
      List<Patch> newPatches,
      List<Furniture> newFurniture,
      Optional<Talker> newTalker,
      Optional<PlacedMicrophone> newMicrophone,
      Optional<Bands> newNoise,
      List<NoiseSource> newSources) {
    return new Room(
        name,
        outline,
        ceiling,
        air,
        newFinishes,
        newPatches,
        objects,
        newFurniture,
        newTalker,
        newMicrophone,
        newNoise,
        newSources);
  }

  private Room with(
      Map<String, Finish> newFinishes,
      List<Patch> newPatches,
      Optional<Talker> newTalker,
      Optional<PlacedMicrophone> newMicrophone) {
    return with(newFinishes, newPatches, furniture, newTalker, newMicrophone, noiseDbSpl, sources);
  }

  /** A copy with other patches. */
  public Room withPatches(List<Patch> other) {
    return with(finishes, other, talker, microphone);
  }

  /** A copy with one more patch. */
  public Room plus(Patch patch) {
    List<Patch> more = new ArrayList<>(patches);
    more.add(patch);
    return withPatches(more);
  }

  /** A copy with another microphone. */
  public Room withMicrophone(PlacedMicrophone other) {
    return with(finishes, patches, talker, Optional.of(other));
  }

  /** A copy with another talker and another microphone. */
  public Room withPeople(Talker otherTalker, PlacedMicrophone otherMicrophone) {
    return with(finishes, patches, Optional.of(otherTalker), Optional.of(otherMicrophone));
  }

  /** A copy with another talker. */
  public Room withTalker(Talker other) {
    return with(finishes, patches, Optional.of(other), microphone);
  }

  /** A copy with other furniture. */
  public Room withFurniture(List<Furniture> other) {
    return with(finishes, patches, other, talker, microphone, noiseDbSpl, sources);
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
        finishes, patches, furniture, talker, microphone, Optional.of(levelsDbSpl), otherSources);
  }

  /** A copy with another finish on one surface. */
  public Room withFinish(String surface, Finish finish) {
    Map<String, Finish> other = new LinkedHashMap<>(finishes);
    other.put(surface, finish);
    return with(other, patches, talker, microphone);
  }

  /**
   * A copy stretched along the three axes, its kind of ceiling kept. Talker and microphone keep
   * their share of the way over the plan, and their height where there is room for it.
   *
   * @throws Trouble.BadField where no room of that size can be
   */
  public Room stretched(double x, double y, double z) {
    Outline floor;
    Ceiling above;
    try {
      floor =
          new Outline(
              outline.corners().stream().map(c -> new Point(c.x() * x, c.y() * y, 0)).toList());
      above = ceiling.stretched(z);
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("size", String.valueOf(e.getMessage()));
    }
    return new Room(
        name,
        floor,
        above,
        air,
        finishes,
        patches,
        objects,
        furniture.stream().map(f -> f.movedTo(stretched(f.corner(), x, y, z))).toList(),
        talker.map(t -> t.movedTo(stretched(t.at(), x, y, z))),
        microphone.map(m -> m.movedBy(stretched(m.at(), x, y, z).minus(m.at()))),
        noiseDbSpl,
        sources.stream()
            .map(s -> new NoiseSource(s.name(), stretched(s.at(), x, y, z), s.dbSplAtMetre()))
            .toList());
  }

  private static Point stretched(Point p, double x, double y, double z) {
    return new Point(p.x() * x, p.y() * y, Math.min(p.z(), p.z() * z));
  }
}
