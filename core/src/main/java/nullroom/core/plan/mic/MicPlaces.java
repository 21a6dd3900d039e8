package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Mount;
import nullroom.core.book.Shelf;
import nullroom.core.room.Aim;
import nullroom.core.room.Furniture;
import nullroom.core.room.Member;
import nullroom.core.room.Outline;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Ride;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;

/** Where a mount can hold a microphone for the talker judged: what is nearest in each direction. */
final class MicPlaces {
  /** Breath and plosives reach so far; a class for close talk lives with them (common practice). */
  static final double NEAREST_METRES = 0.15;

  static final double NEAREST_CLOSE_METRES = 0.05;

  private static final double FURTHEST_METRES = 3;
  private static final double STEP_METRES = 0.01;
  private static final double FLOOR_STEP_METRES = 0.2;
  private static final int TURN_DEGREES = 15;

  /** Of all directions so many are tried, those in which the nearest place is nearest. */
  private static final int MOST_TRIED = 40;

  /** One in each sector so wide is tried as well. */
  private static final int SECTOR_DEGREES = 45;

  /** Tops of furniture that things are put on. */
  private static final double LOWEST_DESK_METRES = 0.4;

  private static final double HIGHEST_DESK_METRES = 1.2;
  private static final double[] OVER_DESK_METRES = {0.08, 0.25, 0.4};
  private static final int DESK_POINTS = 4;

  private final Room room;
  private final Shelf shelf;
  private final Talker talker;
  private final List<Point> floor;

  /**
   * A place.
   *
   * @param mount that holds it there
   * @param at of the capsule
   * @param aim at the lips, or as its carrier points
   * @param ride what it rides on
   */
  record MicPlace(Mount mount, Point at, Aim aim, Optional<Ride> ride) {
    /** The room with this microphone there and no other. */
    Room with(Room room, Capture capture) {
      return alone(room, new PlacedMicrophone(at, aim, capture), ride);
    }
  }

  /** The room with a microphone and no other. */
  static Room alone(Room room, PlacedMicrophone microphone, Optional<Ride> ride) {
    Member<PlacedMicrophone> member = new Member<>(SetUp.MICROPHONE, microphone).riding(ride);
    return room.with(room.setUp().withMicrophones(List.of(member)));
  }

  MicPlaces(Room room, Shelf shelf) {
    this.room = room;
    this.shelf = shelf;
    talker = room.requireTalker();
    floor = floor();
  }

  /** All that a mount allows. */
  List<MicPlace> of(Mount mount, boolean close) {
    return switch (mount) {
      case BOOM -> around(mount, close, p -> reached(p));
      case STAND -> around(mount, close, p -> p.z() <= shelf.standMetres() && stood(p));
      case DESK -> desk(close);
      case CLIP -> worn(mount, Ride.Part.CHEST);
      case HEAD -> worn(mount, Ride.Part.HEAD);
      case HAND -> worn(mount, Ride.Part.HAND);
      case CAMERA -> camera(close);
    };
  }

  /** The same under a shirt. */
  List<MicPlace> hidden() {
    return worn(Mount.CLIP, Ride.Part.UNDER_CLOTH);
  }

  private List<MicPlace> worn(Mount mount, Ride.Part part) {
    return room.setUp().voice().stream()
        .map(voice -> {
          Ride ride = new Ride(voice.name(), part);
          Ride.Seat seat = ride.seat(voice.it());
          return new MicPlace(mount, seat.at(), seat.aim(), Optional.of(ride));
        })
        .filter(p -> room.holds(p.at()))
        .toList();
  }

  private List<MicPlace> camera(boolean close) {
    double nearest = nearest(close);
    return room.setUp().cameras().stream()
        .map(camera -> {
          Ride ride = new Ride(camera.name(), Ride.Part.TOP);
          Ride.Seat seat = ride.seat(camera.it());
          return new MicPlace(Mount.CAMERA, seat.at(), seat.aim(), Optional.of(ride));
        })
        .filter(p -> free(p.at()) && p.at().distanceTo(talker.at()) >= nearest)
        .toList();
  }

  private interface Held {
    boolean at(Point p);
  }

  private record Way(int azimuth, int elevation, Point at, double metres) {
    /** Directions of one sector have one number. */
    int sector() {
      return Math.floorDiv(azimuth, SECTOR_DEGREES) * 100
          + Math.floorDiv(elevation, SECTOR_DEGREES);
    }
  }

  /**
   * The nearest free place that it is held at in each direction; of those the nearest, and some.
   */
  private List<MicPlace> around(Mount mount, boolean close, Held held) {
    List<Way> ways = new ArrayList<>();
    for (int azimuth = -180; azimuth < 180; azimuth += TURN_DEGREES) {
      for (int elevation = -75; elevation <= 90; elevation += TURN_DEGREES) {
        if (elevation < 90 || azimuth == 0) {
          Point out = new Aim(talker.aim().azimuthDegrees() + azimuth, elevation).direction();
          double metres = nearest(out, nearest(close), held);
          if (metres < FURTHEST_METRES) {
            ways.add(new Way(azimuth, elevation, talker.at().plus(out, metres), metres));
          }
        }
      }
    }
    ways.sort(Comparator.comparingDouble(Way::metres));
    Set<Integer> sectors = new HashSet<>();
    List<MicPlace> all = new ArrayList<>();
    for (Way way : ways) {
      boolean first = sectors.add(way.sector());
      if (first || all.size() < MOST_TRIED) {
        all.add(at(mount, way.at()));
      }
    }
    return all;
  }

  /**
   * How near to the lips the pictures let anything come in a direction; empty where the room ends
   * before that, or something is in the way of all.
   */
  OptionalDouble nearest(Point out) {
    double metres = nearest(out, NEAREST_METRES, p -> true);
    return metres < FURTHEST_METRES ? OptionalDouble.of(metres) : OptionalDouble.empty();
  }

  private double nearest(Point out, double from, Held held) {
    for (double metres = from; metres < FURTHEST_METRES; metres += STEP_METRES) {
      Point p = talker.at().plus(out, metres);
      if (!room.holds(p)) {
        return FURTHEST_METRES;
      }
      if (free(p) && held.at(p)) {
        return metres;
      }
    }
    return FURTHEST_METRES;
  }

  static double nearest(boolean close) {
    return close ? NEAREST_CLOSE_METRES : NEAREST_METRES;
  }

  private MicPlace at(Mount mount, Point p) {
    return new MicPlace(mount, p, Aim.along(talker.at().minus(p)), Optional.empty());
  }

  private List<MicPlace> desk(boolean close) {
    List<MicPlace> all = new ArrayList<>();
    for (Furniture piece : room.furniture()) {
      if (piece.top() < LOWEST_DESK_METRES || piece.top() > HIGHEST_DESK_METRES) {
        continue;
      }
      List<Point> plan = piece.plan();
      for (int i = 0; i < DESK_POINTS; i++) {
        for (int j = 0; j < DESK_POINTS; j++) {
          Point along = plan.get(1).minus(plan.get(0));
          Point across = plan.get(3).minus(plan.get(0));
          Point on =
              plan.get(0)
                  .plus(along, (i + 0.5) / DESK_POINTS)
                  .plus(across, (j + 0.5) / DESK_POINTS);
          for (double over : OVER_DESK_METRES) {
            Point p = new Point(on.x(), on.y(), piece.top() + over);
            double metres = p.distanceTo(talker.at());
            if (free(p) && metres >= nearest(close) && metres < FURTHEST_METRES) {
              all.add(at(Mount.DESK, p));
            }
          }
        }
      }
    }
    return all;
  }

  /** Inside the room, in nothing, and in no camera's picture. */
  boolean free(Point p) {
    return !framed(p) && room.isFree(p);
  }

  /** Whether a camera has it in its picture. */
  boolean framed(Point p) {
    return room.setUp().films(p);
  }

  /** Whether the boom reaches it from a point of the floor outside the picture. */
  boolean reached(Point p) {
    double reach = shelf.boomMetres();
    double across = reach * reach - p.z() * p.z();
    for (Point f : floor) { // asked thousands of times
      double dx = p.x() - f.x();
      double dy = p.y() - f.y();
      if (dx * dx + dy * dy <= across) {
        return true;
      }
    }
    return false;
  }

  /** Whether a stand finds the floor under it. */
  private boolean stood(Point p) {
    Point foot = new Point(p.x(), p.y(), 0);
    return room.furniture().stream()
        .noneMatch(f -> f.corner().z() < p.z() && Outline.within(f.plan(), foot));
  }

  private List<Point> floor() {
    List<Point> all = new ArrayList<>();
    double[] xs = room.outline().span(0);
    double[] ys = room.outline().span(1);
    for (double x = xs[0] + FLOOR_STEP_METRES / 2; x < xs[1]; x += FLOOR_STEP_METRES) {
      for (double y = ys[0] + FLOOR_STEP_METRES / 2; y < ys[1]; y += FLOOR_STEP_METRES) {
        Point foot = new Point(x, y, 0);
        if (room.outline().contains(foot) && !framed(foot) && stood(new Point(x, y, 1))) {
          all.add(foot);
        }
      }
    }
    return all;
  }
}
