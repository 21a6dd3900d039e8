package nullroom.core.room;

import java.util.List;

/** What closes the room above; each kind is one or two planes over the plan. */
public sealed interface Ceiling {
  /** Lowest ceiling we take for a room. */
  double MIN_METRES = 0.3;

  /** Highest ceiling we take for a room. */
  double MAX_METRES = 30;

  /** The same height everywhere. */
  record Flat(double heightMetres) implements Ceiling {
    public Flat {
      check("heightMetres", heightMetres);
    }
  }

  /** One slope, lowest along a wall. {@code lowWall} counts from 1. */
  record LeanTo(double lowMetres, double highMetres, int lowWall) implements Ceiling {
    public LeanTo {
      check("lowMetres", lowMetres);
      check("highMetres", highMetres);
      if (highMetres < lowMetres) {
        throw new IllegalArgumentException("highMetres is below lowMetres");
      }
    }
  }

  /** Two slopes that meet in a ridge over the middle, along x or y. */
  record Gable(double kneeMetres, double ridgeMetres, boolean alongX) implements Ceiling {
    public Gable {
      check("kneeMetres", kneeMetres);
      check("ridgeMetres", ridgeMetres);
      if (ridgeMetres < kneeMetres) {
        throw new IllegalArgumentException("ridgeMetres is below kneeMetres");
      }
    }
  }

  private static void check(String name, double metres) {
    if (!(metres >= MIN_METRES && metres <= MAX_METRES)) {
      throw new IllegalArgumentException(
          name + " " + metres + " m is outside " + MIN_METRES + " to " + MAX_METRES + " m");
    }
  }

  /** A plane z = atOrigin + x slopeX + y slopeY over the part of the plan given by its corners. */
  record Plane(List<Point> corners, double atOrigin, double slopeX, double slopeY) {
    /** Height of the plane over a point of the plan. */
    public double heightAt(Point p) {
      return atOrigin + slopeX * p.x() + slopeY * p.y();
    }

    /** Area of the slope itself. */
    double slopeArea() {
      return Outline.signedArea(corners) * steepness();
    }

    /** Area on the slope over area in the plan. */
    double steepness() {
      return Math.sqrt(1 + slopeX * slopeX + slopeY * slopeY);
    }

    /** Volume between floor and slope; a linear height times area is exact at the centroid. */
    double volume() {
      double sum = 0;
      Point a = corners.getFirst();
      for (int i = 1; i + 1 < corners.size(); i++) {
        List<Point> t = List.of(a, corners.get(i), corners.get(i + 1));
        double h = (heightAt(t.get(0)) + heightAt(t.get(1)) + heightAt(t.get(2))) / 3;
        sum += Outline.signedArea(t) * h;
      }
      return sum;
    }
  }

  /** The same kind of ceiling with all heights times a factor. */
  default Ceiling stretched(double factor) {
    return switch (this) {
      case Flat f -> new Flat(f.heightMetres() * factor);
      case LeanTo l -> new LeanTo(l.lowMetres() * factor, l.highMetres() * factor, l.lowWall());
      case Gable g -> new Gable(g.kneeMetres() * factor, g.ridgeMetres() * factor, g.alongX());
    };
  }

  /** The planes of this ceiling over an outline. */
  default List<Plane> planes(Outline outline) {
    return switch (this) {
      case Flat flat -> List.of(new Plane(outline.corners(), flat.heightMetres(), 0, 0));
      case LeanTo lean -> List.of(leanTo(lean, outline));
      case Gable gable -> gable(gable, outline);
    };
  }

  private static Plane leanTo(LeanTo lean, Outline outline) {
    List<Point> c = outline.corners();
    if (lean.lowWall() < 1 || lean.lowWall() > c.size()) {
      throw new IllegalArgumentException(
          "lowWall names wall" + lean.lowWall() + ", but there are " + c.size());
    }
    Point a = c.get(lean.lowWall() - 1);
    Point b = c.get(lean.lowWall() % c.size());
    double length = a.distanceTo(b);
    double nx = -(b.y() - a.y()) / length; // into the room, for counter-clockwise corners
    double ny = (b.x() - a.x()) / length;
    double depth = 0;
    for (Point p : c) {
      double d = (p.x() - a.x()) * nx + (p.y() - a.y()) * ny;
      if (d < -1e-9) {
        throw new IllegalArgumentException(
            "the ceiling would fall below its low wall: parts of the room lie behind it");
      }
      depth = Math.max(depth, d);
    }
    double slope = (lean.highMetres() - lean.lowMetres()) / depth;
    double atOrigin = lean.lowMetres() - slope * (a.x() * nx + a.y() * ny);
    return new Plane(c, atOrigin, slope * nx, slope * ny);
  }

  private static List<Plane> gable(Gable gable, Outline outline) {
    double[] span = outline.span(gable.alongX() ? 1 : 0);
    double middle = (span[0] + span[1]) / 2;
    double slope = (gable.ridgeMetres() - gable.kneeMetres()) / (middle - span[0]);
    double x = gable.alongX() ? 0 : 1;
    double y = gable.alongX() ? 1 : 0;
    List<Point> low = Outline.clip(outline.corners(), p -> middle - (x * p.x() + y * p.y()));
    List<Point> high = Outline.clip(outline.corners(), p -> x * p.x() + y * p.y() - middle);
    return List.of(
        new Plane(low, gable.kneeMetres() - slope * span[0], slope * x, slope * y),
        new Plane(high, gable.kneeMetres() + slope * span[1], -slope * x, -slope * y));
  }
}
