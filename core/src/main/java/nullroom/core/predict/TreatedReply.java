package nullroom.core.predict;

import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.Pattern;
import nullroom.core.room.Face;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;

/**
 * The quick answer of a room of which pieces on surfaces come and go: each piece adds absorption to
 * its pair of surfaces and changes the first reflections that it covers. Both add up, so that a
 * changed room costs a sum, and no geometry. The same formulas as {@link Statistics} and {@link
 * ReflectedSound#quick}.
 */
public final class TreatedReply {
  /** ln(10^6): an energy of -60 dB. */
  private static final double DECAY_60 = 6 * Math.log(10);

  private static final int PAIRS = 3;

  /** So finely areas are told apart, so that pieces of one size change the same. */
  private static final double EVEN = 1e9;

  /** Floor and ceiling, to which loose things count. */
  private static final int LYING = 2;

  /**
   * What a piece changes.
   *
   * @param pair of surfaces that it lies on
   * @param area absorption that it adds, square metres per octave
   * @param early mirrored energy that it adds, mostly less than nought
   */
  public record Change(int pair, Bands area, Bands early) {}

  /** What is there at a time; changes are added and taken off. */
  public static final class State {
    private final double[][] area = new double[PAIRS][Octave.COUNT];
    private final double[] early = new double[Octave.COUNT];

    /** The same again, to be changed by itself. */
    public State copy() {
      State other = new State();
      for (int p = 0; p < PAIRS; p++) {
        System.arraycopy(area[p], 0, other.area[p], 0, Octave.COUNT);
      }
      System.arraycopy(early, 0, other.early, 0, Octave.COUNT);
      return other;
    }

    /** Adds a change. */
    public void add(Change change) {
      apply(change, 1);
    }

    /** Takes a change off. */
    public void remove(Change change) {
      apply(change, -1);
    }

    private void apply(Change change, int sign) {
      for (int b = 0; b < Octave.COUNT; b++) {
        area[change.pair()][b] += sign * change.area().get(b);
        early[b] += sign * change.early().get(b);
      }
    }
  }

  /** A mirrored arrival before any surface has taken of it. */
  private record Path(Optional<Surface> surface, String name, Point at, Bands raw) {}

  private final Room room;
  private final boolean box;
  private final double surface;
  private final double kv;
  private final double[] pairSurface = new double[PAIRS];
  private final double[] air;
  private final double[] measured;
  private final double[] direct;
  private final double[] field;
  private final double[] weights;
  private final double arrival;
  private final double mixed;
  private final List<Path> paths;
  private final State now = new State();

  /**
   * Of a room.
   *
   * @param seconds reverberation times of the room as it is, measured where they were; those of
   *     changed rooms follow by the same factor
   * @throws nullroom.core.Trouble.BadField if talker or microphone is missing
   */
  public TreatedReply(Room room, Bands seconds) {
    this.room = room;
    double c = room.air().speedOfSound();
    List<Face> faces = room.faces();
    Bands objects = room.objectArea();
    box = room.isBox();
    surface = faces.stream().mapToDouble(Face::areaSquareMetres).sum();
    kv = 24 * Math.log(10) / c * room.volume();
    for (Face face : faces) {
      pairSurface[face.pair()] += face.areaSquareMetres();
      for (int b = 0; b < Octave.COUNT; b++) {
        now.area[face.pair()][b] += face.areaSquareMetres() * face.absorption().get(b);
      }
    }
    for (int b = 0; b < Octave.COUNT; b++) {
      now.area[LYING][b] += objects.get(b);
    }
    air = room.air().energyAttenuation().map(m -> 4 * m * room.volume()).toArray();
    measured =
        seconds.with(Statistics.of(room).seconds(), (t, predicted) -> t / predicted).toArray();
    RoomResponse first = RoomResponse.first(room);
    System.arraycopy(first.earlyEnergy().toArray(), 0, now.early, 0, Octave.COUNT);
    Bands level = Heard.directGainDb(room);
    direct = level.map(db -> first.directBlocked() ? 0 : Decibels.toEnergy(db)).toArray();
    weights =
        level
            .with(room.requireTalker().voiceDbSpl(), Double::sum)
            .map(Decibels::toEnergy)
            .toArray();
    Pattern pattern = room.requireMicrophone().capture().pattern();
    double perSecond = 4 * Math.PI * c / (DECAY_60 * room.volume());
    field =
        Bands.from(b ->
                perSecond
                    * Decibels.toEnergy(
                        pattern.diffuseGainDb()
                            - room.requireTalker().directivity().indexDb().get(b)))
            .toArray();
    arrival = room.requireTalker().at().distanceTo(room.requireMicrophone().at()) / c;
    mixed = Math.min(Heard.EARLY_SECONDS, 4 * room.volume() / surface / c);
    paths = paths(room, first.directSeconds() + Heard.EARLY_SECONDS);
  }

  private static List<Path> paths(Room room, double early) {
    Finish nothing = new Finish.Stated(Bands.all(0), Bands.all(0));
    Room bare = room.withPatches(List.of());
    for (Surface s : room.surfaces()) {
      bare = bare.withFinish(s, nothing);
    }
    bare = bare.withFurniture(room.furniture().stream().map(f -> f.with(nothing)).toList());
    return RoomResponse.first(bare).arrivals().stream()
        .filter(a -> a.seconds() < early)
        .map(a -> {
          String name = a.surfaces().getFirst();
          return new Path(Surface.find(name), name, a.points().getFirst(), a.energy());
        })
        .toList();
  }

  /** Where first reflections meet a surface, in its own axes. */
  public List<Point> reflections(Surface on) {
    return paths.stream()
        .filter(p -> p.surface().filter(on::equals).isPresent())
        .map(p -> room.enclosure().local(on, p.at()))
        .toList();
  }

  /** The room as it is, to be changed. */
  public State state() {
    return now.copy();
  }

  /** What a new piece changes; it must lie on no other. */
  public Change change(Patch patch) {
    Finish under = room.finishOf(patch.surface());
    return change(patch, patch.surface(), under, patch.finish(), room.areaOf(patch));
  }

  private Change change(Patch patch, Surface on, Finish from, Finish to, double squareMetres) {
    double whole = Math.round(squareMetres * EVEN) / EVEN;
    Bands area = to.absorption().with(from.absorption(), (now, before) -> whole * (now - before));
    double[] early = new double[Octave.COUNT];
    for (Path path : paths) {
      if (path.surface().filter(on::equals).isPresent()
          && Outline.within(patch.corners(), room.enclosure().local(on, path.at()))) {
        add(early, path.raw(), from, to);
      }
    }
    return new Change(room.enclosure().pairOf(on), area, Bands.of(early));
  }

  private static void add(double[] early, Bands raw, Finish from, Finish to) {
    for (int b = 0; b < early.length; b++) {
      early[b] += raw.get(b) * (kept(to, b) - kept(from, b));
    }
  }

  private static double kept(Finish finish, int octave) {
    return (1 - Math.min(1, finish.absorption().get(octave)))
        * (1 - finish.scattering().get(octave));
  }

  /** What turning a thing into its other state changes; empty where it has none. */
  public Optional<Change> turned(RoomItem item) {
    if (!item.switches(room)) {
      return Optional.empty();
    }
    if (item.kind() == RoomItem.Kind.PATCH) {
      Patch before = room.patches().get(item.index());
      return Optional.of(
          change(
              before,
              before.surface(),
              before.finish(),
              before.turned().finish(),
              room.areaOf(before)));
    }
    Furniture before = room.furniture().get(item.index());
    Bands area = item.switched(room).objectArea().with(room.objectArea(), (then, is) -> then - is);
    double[] early = new double[Octave.COUNT];
    for (Path path : paths) {
      if (path.surface().isEmpty() && path.name().equals(before.name())) {
        add(early, path.raw(), before.finish(), before.turned().finish());
      }
    }
    return Optional.of(new Change(LYING, area, Bands.of(early)));
  }

  /**
   * Reverberation times of a state.
   *
   * @param seconds overwritten, one per octave
   */
  public void seconds(State state, double[] seconds) {
    for (int b = 0; b < seconds.length; b++) {
      double area = state.area[0][b] + state.area[1][b] + state.area[2][b];
      double even = Statistics.time(kv, surface * Statistics.exponent(area / surface) + air[b]);
      double time = even;
      if (box) {
        double mean = 0;
        for (int p = 0; p < PAIRS; p++) {
          double alpha = state.area[p][b] / Math.max(1e-9, pairSurface[p]);
          double t = Statistics.time(kv, surface * Statistics.exponent(alpha) + air[b]);
          mean += pairSurface[p] / surface * Math.log(t);
        }
        double uneven = Math.exp(mean);
        double weight = Statistics.unevenWeight(even, uneven);
        time = weight == 0 ? even : even * Math.pow(uneven / even, weight);
      }
      seconds[b] = time * measured[b];
    }
  }

  /** The least times that so much absorption could give, were it spread at its best. */
  public void leastSeconds(State state, double[] seconds) {
    for (int b = 0; b < seconds.length; b++) {
      double area = state.area[0][b] + state.area[1][b] + state.area[2][b];
      seconds[b] =
          measured[b] * Statistics.time(kv, surface * Statistics.exponent(area / surface) + air[b]);
    }
  }

  /**
   * Times that are not exceeded when absorption is taken away: all of it from each pair of
   * surfaces, although it can be taken from one alone.
   *
   * @param taken square metres per octave
   * @param seconds overwritten, one per octave
   */
  public void mostSeconds(State state, double[] taken, double[] seconds) {
    for (int b = 0; b < seconds.length; b++) {
      double area = state.area[0][b] + state.area[1][b] + state.area[2][b];
      double left = Math.max(0, area - taken[b]);
      double most = Statistics.time(kv, surface * Statistics.exponent(left / surface) + air[b]);
      if (box) {
        double mean = 0;
        for (int p = 0; p < PAIRS; p++) {
          double alpha = Math.max(0, state.area[p][b] - taken[b]) / Math.max(1e-9, pairSurface[p]);
          double t = Statistics.time(kv, surface * Statistics.exponent(alpha) + air[b]);
          mean += pairSurface[p] / surface * Math.log(t);
        }
        most = Math.max(most, Math.exp(mean));
      }
      seconds[b] = most * measured[b];
    }
  }

  /** Clear of a state whose times are known, dB. */
  public double clearDb(State state, double[] seconds) {
    return clearDb(state.early, seconds);
  }

  private double clearDb(double[] early, double[] seconds) {
    double sum = 0;
    double all = 0;
    for (int b = Octave.FIRST_VOICE; b < Octave.COUNT; b++) {
      double rate = DECAY_60 / seconds[b];
      double whole = field[b] * seconds[b] * Math.exp(-rate * arrival);
      double after = Math.exp(-rate * Heard.EARLY_SECONDS);
      double useful = direct[b] + Math.max(0, early[b]) + whole * (Math.exp(-rate * mixed) - after);
      double c50 = Decibels.ofEnergy(useful / Math.max(1e-30, whole * after));
      sum += weights[b] * Math.min(Heard.MOST_SEEN_DB, c50);
      all += weights[b];
    }
    return sum / all;
  }
}
