package nullroom.core.room;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Air;
import nullroom.core.acoustics.Bands;

/**
 * A room and what stands in it.
 *
 * @param name for people
 * @param enclosure its shape
 * @param air its air
 * @param finishes what its surfaces are made of
 * @param contents what is in it
 * @param setUp who speaks, what listens and what films
 * @param noise what it sounds like when nobody speaks
 */
public record Room(
    String name,
    Enclosure enclosure,
    Air air,
    Finishes finishes,
    Contents contents,
    SetUp setUp,
    RoomNoise noise) {
  private static final double REACH_STEP = 0.05;

  public Room {
    RoomLimits.check(enclosure, finishes, contents, setUp, noise);
  }

  /** An empty room of a shape. */
  public static Room empty(String name, Outline outline, Ceiling ceiling, Finishes finishes) {
    return new Room(
        name,
        new Enclosure(outline, ceiling),
        Air.ROOM,
        finishes,
        Contents.NOTHING,
        SetUp.NONE,
        RoomNoise.UNKNOWN);
  }

  /** Floor polygon. */
  public Outline outline() {
    return enclosure.outline();
  }

  /** What closes it above. */
  public Ceiling ceiling() {
    return enclosure.ceiling();
  }

  /** Pieces on surfaces. */
  public List<Patch> patches() {
    return contents.patches();
  }

  /** Loose objects. */
  public List<LooseObject> objects() {
    return contents.objects();
  }

  /** What stands in a place. */
  public List<Furniture> furniture() {
    return contents.furniture();
  }

  /** Cloth that stands free. */
  public List<Screen> screens() {
    return contents.screens();
  }

  /** Who speaks, where known. */
  public Optional<Talker> talker() {
    return setUp.talker();
  }

  /** What listens, where known. */
  public Optional<PlacedMicrophone> microphone() {
    return setUp.microphone();
  }

  /** What films, where something does. */
  public Optional<Camera> camera() {
    return setUp.camera();
  }

  /** What plays a backing. */
  public List<Member<PlacedLoudspeaker>> loudspeakers() {
    return setUp.loudspeakers();
  }

  /** Diffuse room noise in octaves, where known. */
  public Optional<Bands> noiseDbSpl() {
    return noise.diffuseDbSpl();
  }

  /** What makes noise in a place of its own. */
  public List<NoiseSource> sources() {
    return noise.sources();
  }

  /** Whether a point lies within. */
  public boolean holds(Point at) {
    return enclosure.holds(at);
  }

  /** Whether a point lies within, and in no piece of furniture. */
  public boolean isFree(Point at) {
    return holds(at) && furniture().stream().noneMatch(f -> f.holds(at));
  }

  /** Floor, ceiling and walls. */
  public List<Surface> surfaces() {
    return enclosure.surfaces();
  }

  /** What a surface is made of. */
  public Finish finishOf(Surface surface) {
    return finishes
        .find(surface)
        .orElseThrow(() -> new IllegalArgumentException("no surface " + surface));
  }

  /** Volume in cubic metres. */
  public double volume() {
    return enclosure.volume();
  }

  /** Area of a surface with all that lies on it, square metres. */
  public double areaOf(Surface surface) {
    return enclosure.area(surface);
  }

  /** Height of the ceiling over a point of the plan. */
  public double heightAt(Point p) {
    return enclosure.heightAt(p);
  }

  /** Length, width and height of the box around the room. */
  public Point size() {
    return enclosure.size();
  }

  /** Whether this is a rectangular box with a flat ceiling. */
  public boolean isBox() {
    return enclosure.isBox();
  }

  /** Whether a piece lies within its surface; it may lie on the very edge. */
  public boolean carries(Patch patch) {
    return enclosure.has(patch.surface())
        && Polygons.holds(enclosure.polygon(patch.surface()), patch.corners());
  }

  /** Whether a piece lies within its surface and on no other piece. */
  public boolean hasPlaceFor(Patch patch) {
    return carries(patch) && patches().stream().noneMatch(patch::overlaps);
  }

  /** Area of a piece where it lies, on a slope that of the slope, square metres. */
  public double areaOf(Patch patch) {
    return enclosure.area(patch.surface(), patch.corners());
  }

  /** How far one gets from a point before the room ends, metres, in steps of 5 cm. */
  public double reach(Point from, Aim aim) {
    double metres = 0;
    while (metres < Outline.MAX_METRES && holds(from.plus(aim.direction(), metres + REACH_STEP))) {
      metres += REACH_STEP;
    }
    return metres;
  }

  /** The whole boundary: what is left of each surface, then its patches. */
  public List<Face> faces() {
    List<Face> faces = new ArrayList<>();
    for (Surface surface : surfaces()) {
      int pair = enclosure.pairOf(surface);
      double left = enclosure.area(surface);
      for (Patch patch : patches()) {
        if (patch.surface().equals(surface)) {
          double area = areaOf(patch);
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
    return talker()
        .orElseThrow(
            () -> new Trouble.BadField("talker", "this room has no talker; add one to predict"));
  }

  /**
   * What listens.
   *
   * @throws Trouble.BadField where nothing does
   */
  public PlacedMicrophone requireMicrophone() {
    return microphone()
        .orElseThrow(() ->
            new Trouble.BadField("microphone", "this room has no microphone; add one to predict"));
  }

  /** A copy under another name. */
  public Room named(String other) {
    return new Room(other, enclosure, air, finishes, contents, setUp, noise);
  }

  /** A copy with everybody and everything of another room's set-up, moved in where it must be. */
  public Room withSetUpOf(Room before) {
    return Reshaping.peopled(this, before);
  }

  /** A copy with other contents; what was on a piece that is gone stands by itself. */
  public Room with(Contents other) {
    Set<String> gone = new HashSet<>(contents.furnitureNames());
    gone.removeAll(other.furnitureNames());
    setUp.all().forEach(m -> gone.remove(m.name()));
    return new Room(name, enclosure, air, finishes, other, Carried.putDown(setUp, gone), noise);
  }

  /** A copy with another set-up. */
  public Room with(SetUp other) {
    return new Room(name, enclosure, air, finishes, contents, other, noise);
  }

  /** A copy with other noise. */
  public Room with(RoomNoise other) {
    return new Room(name, enclosure, air, finishes, contents, setUp, other);
  }

  /** A copy with other patches. */
  public Room withPatches(List<Patch> other) {
    return with(contents.withPatches(other));
  }

  /** A copy with one more patch. */
  public Room plus(Patch patch) {
    return with(contents.plus(patch));
  }

  /** A copy with another microphone. */
  public Room withMicrophone(PlacedMicrophone other) {
    return with(setUp.with(other));
  }

  /** A copy with another talker and another microphone. */
  public Room withPeople(Talker otherTalker, PlacedMicrophone otherMicrophone) {
    return with(setUp.with(otherTalker).with(otherMicrophone));
  }

  /** A copy with another talker. */
  public Room withTalker(Talker other) {
    return with(setUp.with(other));
  }

  /** A copy with other furniture. */
  public Room withFurniture(List<Furniture> other) {
    return with(contents.withFurniture(other));
  }

  /** A copy with other loose objects. */
  public Room withObjects(List<LooseObject> other) {
    return with(contents.withObjects(other));
  }

  /** A copy with another camera, or none. */
  public Room withCamera(Optional<Camera> other) {
    return with(setUp.withCamera(other));
  }

  /** What loose objects take up together, square metres per octave. */
  public Bands looseArea() {
    return contents.looseArea();
  }

  /** What loose objects and furniture take up together, square metres per octave. */
  public Bands objectArea() {
    return contents.objectArea();
  }

  /** A copy with other diffuse noise; sources stay. */
  public Room withNoise(Bands levelsDbSpl) {
    return withNoise(levelsDbSpl, sources());
  }

  /** A copy with other room noise: diffuse, and from places. */
  public Room withNoise(Bands levelsDbSpl, List<NoiseSource> otherSources) {
    return with(new RoomNoise(Optional.of(levelsDbSpl), otherSources));
  }

  /** What a surface is to be or not to be, where anybody said. */
  public Optional<SurfaceTag> tagOf(Surface surface) {
    return Optional.ofNullable(finishes.tags().get(surface));
  }

  /** A copy with a surface tagged, or not. */
  public Room tagged(Surface surface, Optional<SurfaceTag> tag) {
    return new Room(name, enclosure, air, finishes.tagged(surface, tag), contents, setUp, noise);
  }

  /** A copy with another finish on one surface. */
  public Room withFinish(Surface surface, Finish finish) {
    return new Room(name, enclosure, air, finishes.with(surface, finish), contents, setUp, noise);
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
