package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.predict.TreatedReply;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;

/** Where pieces can go within all limits: side by side from every edge, and over reflections. */
final class Places {
  private static final double STEP_METRES = 0.25;
  private static final double UNDER_CEILING_METRES = 0.02;
  private static final double TURN_MINUTES = 1;

  /** So many of a piece on a surface that change the same are enough to pack. */
  private static final int ALIKE = 10;

  /** From this mean absorption over the voice's octaves on a thing is soft. */
  private static final double SOFT = 0.2;

  private final Room room;
  private final AtHand hand;
  private final TreatedReply reply;
  private final List<Placement> found = new ArrayList<>();
  private final List<String> left = new ArrayList<>();
  private final Limits limits;
  private final Returns returns;
  private boolean softer;
  private boolean fits;

  private Places(Room room, AtHand hand, TreatedReply reply) {
    this.room = room;
    this.hand = hand;
    this.reply = reply;
    limits = new Limits(room, hand);
    returns = new Returns(room);
  }

  /**
   * All places.
   *
   * @param placements in the order of the pieces
   * @param left sentences about pieces that cannot be used
   */
  record Found(List<Placement> placements, List<String> left) {}

  static Found of(Room room, AtHand hand, TreatedReply reply) {
    Places places = new Places(room, hand, reply);
    for (int kind = 0; kind < hand.pieces().size(); kind++) {
      places.piece(kind, hand.pieces().get(kind));
    }
    for (AtHand.KeepClear clear : hand.keepClear()) {
      if (!room.surfaces().contains(clear.patch().surface())) {
        places.left.add(
            "“"
                + clear.patch().name()
                + "” is to be kept clear on "
                + clear.patch().surface().spoken()
                + ", which this room does not have.");
      }
    }
    if (hand.states()) {
      places.turns(hand.pieces().size());
    }
    return new Found(List.copyOf(places.found), List.copyOf(places.left));
  }

  private void piece(int kind, TreatmentPiece piece) {
    Optional<String> cannot = hand.cannot(piece);
    if (cannot.isPresent()) {
      left.add(cannot.get());
      return;
    }
    int before = found.size();
    softer = false;
    fits = false;
    for (Surface surface : room.surfaces()) {
      boolean bare = room.tagOf(surface).filter(t -> !t.mayBeCovered()).isPresent();
      boolean high = surface instanceof Surface.Ceiling && !hand.ladder();
      if (piece.isFor(surface) && !bare && !high && hasDoorIfNeeded(piece, surface)) {
        on(kind, piece, surface);
      }
    }
    if (found.size() == before) {
      left.add("“" + piece.name() + "” " + whyNowhere());
    }
  }

  private String whyNowhere() {
    if (softer) {
      return "finds only places where what is there takes more of the voice than it would.";
    }
    return fits
        ? "finds no place within the limits."
        : "is larger than every surface that it could go to within your reach.";
  }

  /** Whether it takes up voice at all, as cloth and wool do. */
  private static boolean deadens(TreatmentPiece piece) {
    return voice(piece.finish().absorption()) > SOFT;
  }

  /** A soft thing over a softer one makes nothing livelier, whatever the tables' difference is. */
  private static boolean takesAway(TreatedReply.Change change) {
    return voice(change.area()) < 0;
  }

  private static double voice(Bands bands) {
    double sum = 0;
    for (int b = Octave.FIRST_VOICE; b < Octave.COUNT - 1; b++) {
      sum += bands.get(b);
    }
    return sum / (Octave.COUNT - 1 - Octave.FIRST_VOICE);
  }

  private boolean hasDoorIfNeeded(TreatmentPiece piece, Surface surface) {
    return piece.hold() != TreatmentPiece.Hold.DOOR
        || room.patches().stream()
            .anyMatch(p -> p.surface().equals(surface) && p.name().contains("door"));
  }

  private void on(int kind, TreatmentPiece piece, Surface surface) {
    Map<TreatedReply.Change, List<Patch>> alike = new LinkedHashMap<>();
    boolean eitherWay = piece.turnable() || !surface.isWall();
    double slope = slope(surface);
    for (boolean turned : eitherWay ? new boolean[] {false, true} : new boolean[] {false}) {
      double w = turned ? piece.heightMetres() : piece.widthMetres();
      double h = (turned ? piece.widthMetres() : piece.heightMetres());
      double[] plan = inPlan(surface, w, h, slope);
      for (double u : along(surface, 0, plan[0])) {
        for (double v : up(piece, surface, plan[1])) {
          Patch patch = rectangle(piece, surface, u, v, plan[0], plan[1]);
          fits |= room.carries(patch);
          if (!limits.allow(piece, patch)) {
            continue;
          }
          TreatedReply.Change change = reply.change(patch);
          if (deadens(piece) && takesAway(change)) {
            softer = true;
          } else {
            alike.computeIfAbsent(change, c -> new ArrayList<>()).add(patch);
          }
        }
      }
    }
    alike.forEach((change, all) ->
        few(all)
            .forEach(patch ->
                found.add(
                    new Placement(
                        kind,
                        piece.name(),
                        Optional.of(piece),
                        Optional.of(patch),
                        Optional.empty(),
                        change,
                        piece.toPay(),
                        piece.minutes(),
                        returns.of(patch)))));
  }

  /**
   * Of places that change the same: those that pack best, from both ends of the grid, then those
   * beside each other that return most.
   */
  private Set<Patch> few(List<Patch> all) {
    Set<Patch> few = new LinkedHashSet<>(all.subList(0, Math.min(ALIKE, all.size())));
    few.addAll(all.subList(Math.max(0, all.size() - ALIKE), all.size()));
    List<Patch> best = new ArrayList<>();
    record Scored(Patch patch, double returns) {}
    all.stream()
        .map(patch -> new Scored(patch, returns.of(patch)))
        .sorted(Comparator.comparingDouble(scored -> -scored.returns()))
        .map(Scored::patch)
        .takeWhile(patch -> best.size() < ALIKE)
        .filter(patch -> best.stream().noneMatch(patch::overlaps))
        .forEach(best::add);
    few.addAll(best);
    return few;
  }

  private static Patch rectangle(
      TreatmentPiece piece, Surface surface, double u, double v, double w, double h) {
    return new Patch(
        piece.name(),
        surface,
        List.of(
            new Point(u, v, 0),
            new Point(u + w, v, 0),
            new Point(u + w, v + h, 0),
            new Point(u, v + h, 0)),
        piece.finish());
  }

  /** What of a metre along a sloped ceiling is left in plan; 1 where it is flat. */
  private double slope(Surface surface) {
    if (!(surface instanceof Surface.Ceiling)) {
      return 1;
    }
    double over = room.outline().area();
    return over / Math.max(over, room.areaOf(surface));
  }

  /** Sizes along a slope are shorter in plan, along the axis that it climbs. */
  private double[] inPlan(Surface surface, double w, double h, double slope) {
    if (slope > 1 - 1e-9) {
      return new double[] {w, h};
    }
    Point middle = room.size();
    double x = middle.x() / 2;
    double y = middle.y() / 4;
    boolean climbsX =
        Math.abs(
                room.heightAt(new Point(x / 2, y, 0)) - room.heightAt(new Point(x / 2 + 0.1, y, 0)))
            > 1e-6;
    return climbsX ? new double[] {w * slope, h} : new double[] {w, h * slope};
  }

  /** Places along an axis: from both edges of each free stretch on, and over reflections. */
  private List<Double> along(Surface surface, int axis, double size) {
    double[] span = room.enclosure().span(surface, axis);
    TreeSet<Double> all = new TreeSet<>();
    List<Double> edges = new ArrayList<>(List.of(span[0], span[1]));
    for (Patch patch : room.patches()) {
      if (patch.surface().equals(surface)) {
        for (Point c : patch.corners()) {
          edges.add(axis == 0 ? c.x() : c.y());
        }
      }
    }
    for (double edge : edges) {
      for (double at = edge; at + size <= span[1] + 1e-9; at += size) {
        all.add(rounded(at));
      }
      for (double at = edge - size; at >= span[0] - 1e-9; at -= size) {
        all.add(rounded(at));
      }
    }
    for (double at = span[0]; at + size <= span[1] + 1e-9; at += STEP_METRES) {
      all.add(rounded(at));
    }
    for (Point p : reply.reflections(surface)) {
      double centred = (axis == 0 ? p.x() : p.y()) - size / 2;
      all.add(rounded(Math.clamp(centred, span[0], Math.max(span[0], span[1] - size))));
    }
    return List.copyOf(all);
  }

  private static double rounded(double metres) {
    return Math.round(metres * 1e6) / 1e6;
  }

  private List<Double> up(TreatmentPiece piece, Surface surface, double height) {
    if (!surface.isWall()) {
      return along(surface, 1, height);
    }
    if (piece.hold().fromFloor()) {
      return height <= hand.reachMetres() ? List.of(0.0) : List.of();
    }
    double top = Math.min(hand.reachMetres(), room.enclosure().span(surface, 1)[1]);
    double highest = rounded(top - height - UNDER_CEILING_METRES);
    TreeSet<Double> all = new TreeSet<>();
    for (double v : along(surface, 1, height)) {
      if (v <= highest + 1e-9) {
        all.add(v);
      }
    }
    if (highest >= 0) {
      all.add(highest);
    }
    return List.copyOf(all);
  }

  private void turns(int firstKind) {
    int kind = firstKind;
    for (RoomItem item : RoomItem.of(room)) {
      Optional<TreatedReply.Change> change = reply.turned(item);
      if (change.isPresent()) {
        found.add(
            new Placement(
                kind++,
                name(item),
                Optional.empty(),
                Optional.empty(),
                Optional.of(item),
                change.get(),
                0,
                TURN_MINUTES,
                0));
      }
    }
  }

  /** Without the state that it is in. */
  private String name(RoomItem item) {
    return item.kind() == RoomItem.Kind.PATCH
        ? room.patches().get(item.index()).name()
        : room.furniture().get(item.index()).name();
  }
}
