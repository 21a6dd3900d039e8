package nullroom.app.mic;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.Fresh;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.mic.MicMap;
import nullroom.core.predict.Margins;
import nullroom.core.room.Aim;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/** How the microphone judged would do all around the talker, and where it is moved to. */
final class ZoneModel {
  /** What the map shows. */
  enum Shown {
    WEAKEST("the weakest of the three"),
    QUIET("Quiet"),
    CLEAR("Clear"),
    SAFE("Safe");

    private final String label;

    Shown(String label) {
      this.label = label;
    }

    String label() {
      return label;
    }
  }

  /** An aim that is off by less is at the lips. */
  private static final double AT_LIPS_DEGREES = 3;

  private final StationContext context;
  private final Fresh<MicMap> map;
  private final ObjectProperty<MicMap.Plane> plane = new SimpleObjectProperty<>(MicMap.Plane.SIDE);
  private final ObjectProperty<Shown> shown = new SimpleObjectProperty<>(Shown.WEAKEST);

  /**
   * A place of the picture.
   *
   * @param along metres ahead of the lips
   * @param across metres over the floor where it is seen from the side, else to the talker's left
   */
  record Spot(double along, double across) {}

  ZoneModel(StationContext context, Executor background) {
    this.context = context;
    map = new Fresh<>(background, 0, context);
  }

  ObjectProperty<MicMap.Plane> planeProperty() {
    return plane;
  }

  ObjectProperty<Shown> shownProperty() {
    return shown;
  }

  Fresh<MicMap> map() {
    return map;
  }

  private RoomBook book() {
    return context.session().book();
  }

  Room room() {
    return book().room();
  }

  private Talker talker() {
    return room().requireTalker();
  }

  PlacedMicrophone microphone() {
    return room().requireMicrophone();
  }

  /** Asks for the map of now, which does not depend on where the microphone is. */
  void refresh() {
    RoomBook book = book();
    boolean above = plane.get() == MicMap.Plane.ABOVE;
    double level = above ? microphone().at().z() : 0;
    MicMap.Plane cut = plane.get();
    MicMap.Subject subject =
        new MicMap.Subject(
            book.room(), book.levels().staging(), isClose(book), context.session().refinement());
    map.ask(
        List.of(MicModel.inputs(book), subject.refinement(), cut, level),
        progress -> MicMap.of(book, book.shelf(), subject, cut, level));
  }

  private static boolean isClose(RoomBook book) {
    return MicrophoneType.in(book.room().requireMicrophone().capture(), book.shelf().known())
        .filter(MicrophoneType::isForCloseTalk)
        .isPresent();
  }

  /** Height of the ceiling over the lips. */
  double topMetres() {
    return room().heightAt(talker().at());
  }

  /** Lips in the picture. */
  Spot lips() {
    return new Spot(0, plane.get() == MicMap.Plane.SIDE ? talker().at().z() : 0);
  }

  private Point ahead() {
    return new Aim(talker().aim().azimuthDegrees(), 0).direction();
  }

  private Point left() {
    Point ahead = ahead();
    return new Point(-ahead.y(), ahead.x(), 0);
  }

  /** A point of the room in the picture. */
  Spot spot(Point p) {
    Point off = p.minus(talker().at());
    return new Spot(off.dot(ahead()), plane.get() == MicMap.Plane.SIDE ? p.z() : off.dot(left()));
  }

  /** Degrees that the microphone points to in the picture, counter-clockwise from ahead. */
  double pointsDegrees() {
    Point aim = microphone().aim().direction();
    double up = plane.get() == MicMap.Plane.SIDE ? aim.z() : aim.dot(left());
    return Math.toDegrees(Math.atan2(up, aim.dot(ahead())));
  }

  /** Moves the microphone in the picture; what pointed at the lips goes on doing so. */
  void move(Spot to) {
    PlacedMicrophone m = microphone();
    Point lips = talker().at();
    Point off = m.at().minus(lips);
    Point at =
        plane.get() == MicMap.Plane.SIDE
            ? flat(lips.plus(ahead(), to.along()).plus(left(), off.dot(left())), to.across())
            : flat(lips.plus(ahead(), to.along()).plus(left(), to.across()), m.at().z());
    boolean atLips = m.aim().angleTo(lips.minus(m.at())) < AT_LIPS_DEGREES;
    edit("Move the microphone", now -> atLips ? now.movedTo(at, lips) : now.placed(at, now.aim()));
  }

  private static Point flat(Point p, double z) {
    return new Point(p.x(), p.y(), z);
  }

  /** Points the microphone at a place of the picture. */
  void aim(Spot to) {
    Spot now = spot(microphone().at());
    double along = to.along() - now.along();
    double across = to.across() - now.across();
    if (Math.hypot(along, across) == 0) {
      return;
    }
    Point direction =
        plane.get() == MicMap.Plane.SIDE
            ? new Point(ahead().x() * along, ahead().y() * along, across)
            : flat(new Point(0, 0, 0).plus(ahead(), along).plus(left(), across), 0);
    edit("Turn the microphone", m -> m.placed(m.at(), Aim.along(direction)));
  }

  /** Points it at the lips. */
  void aimAtLips() {
    edit("Point the microphone at the lips", m -> m.movedTo(m.at(), talker().at()));
  }

  private void edit(String name, UnaryOperator<PlacedMicrophone> change) {
    context.attempt(
        name, b -> b.with(b.room().withMicrophone(change.apply(b.room().requireMicrophone()))));
  }

  /** What the map shows at each of its points: over the target, decibels. */
  static double[][] over(MicMap map, Shown shown) {
    if (shown != Shown.WEAKEST) {
      return map.overDb()[shown.ordinal() - 1];
    }
    double[][] least = new double[map.acrossMetres().length][map.alongMetres().length];
    for (int j = 0; j < least.length; j++) {
      for (int i = 0; i < least[j].length; i++) {
        double min = Double.POSITIVE_INFINITY;
        for (Margins.Kind kind : Margins.Kind.values()) {
          min = Math.min(min, map.overDb()[kind.ordinal()][j][i]); // NaN stays NaN
        }
        least[j][i] = min;
      }
    }
    return least;
  }

  /** What is so at a place of the picture, in words; empty off the map. */
  String told(Spot at) {
    Optional<MicMap> now = map.valueProperty().get();
    if (now.isEmpty()) {
      return "";
    }
    int i = nearest(now.get().alongMetres(), at.along());
    int j = nearest(now.get().acrossMetres(), at.across());
    if (i < 0 || j < 0) {
      return "";
    }
    MicMap.Block block = now.get().blocks()[j][i];
    StringBuilder words = new StringBuilder(where(at)).append(": ");
    if (block == MicMap.Block.ROOM) {
      return words.append(words(block)).append('.').toString();
    }
    for (Margins.Kind kind : Margins.Kind.values()) {
      words.append(
          Figures.say(
              "%s %+.1f dB, ",
              Figures.capital(Figures.word(kind)), now.get().overDb()[kind.ordinal()][j][i]));
    }
    return words.append("to its target; ").append(words(block)).append('.').toString();
  }

  private String where(Spot at) {
    Units units = context.units().get();
    String along =
        units.near(Math.abs(at.along())) + (at.along() < 0 ? " behind the lips" : " ahead");
    double up = plane.get() == MicMap.Plane.SIDE ? at.across() - lips().across() : at.across();
    String across =
        plane.get() == MicMap.Plane.SIDE
            ? up < 0 ? " down" : " up"
            : up < 0 ? " to the right" : " to the left";
    return Figures.capital(along + ", " + units.near(Math.abs(up)) + across);
  }

  /** Why a place is not to be had, in words. */
  static String words(MicMap.Block block) {
    return switch (block) {
      case NONE -> "a place to be had";
      case PICTURE -> "in the picture";
      case BREATH -> "in the breath";
      case REACH -> "out of the boom’s reach";
      case ROOM -> "not in the room";
    };
  }

  /** Index of the nearest; -1 further off than half a step. */
  private static int nearest(double[] all, double metres) {
    double step = all[1] - all[0];
    int k = (int) Math.round((metres - all[0]) / step);
    return k >= 0 && k < all.length ? k : -1;
  }

  /** How it stands where the microphone is. */
  String here() {
    Room room = room();
    MicMap.Block block = MicMap.why(room, book().shelf(), microphone().at(), isClose(book()));
    boolean worn = room.setUp().worn().isPresent();
    return worn ? "It is worn: it goes where the talker goes." : "Here it is " + words(block) + ".";
  }

  /** Nearer than this it booms; 0 where it never does. */
  double boomMetres() {
    return MicMap.boomMetres(room());
  }
}
