package nullroom.app.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Screen;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FreeClothTest extends DeskTest {
  @Test
  @DisplayName(
      "put up, dragged, turned and taken out; the room rings less with it, and it is saved")
  void life() {
    RoomModel model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    double before = Fx.on(() -> desk.session().heard().decaySeconds().get(4));
    Fx.run(() -> model.furniture().add(FreeCloth.DUVET));
    assertThat(Fx.on(() -> desk.session().heard().decaySeconds().get(4))).isLessThan(before);
    RoomItem duvet = new RoomItem(RoomItem.Kind.SCREEN, 0);
    assertThat(RoomItem.of(Fx.on(model::room))).contains(duvet);
    Screen there = Fx.on(model::room).screens().getFirst();
    Fx.run(() -> model.move(duvet, there.middle().x() + 0.3, there.middle().y()));
    Screen moved = Fx.on(model::room).screens().getFirst();
    assertThat(moved.from().x()).isCloseTo(there.from().x() + 0.3, within(1e-9));
    Fx.run(() -> model.move(duvet, 1.9, 1.7));
    Fx.run(() -> model.itemHandler().turn(duvet, 45));
    Screen turned = Fx.on(model::room).screens().getFirst();
    assertThat(turned.azimuthDegrees()).isCloseTo(45, within(1e-6));
    assertThat(turned.width()).isCloseTo(there.width(), within(1e-9));
    assertThat(turned.middle().distanceTo(new Point(1.9, 1.7, turned.middle().z())))
        .isLessThan(1e-9);
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Fx.run(() -> model.itemHandler().remove(duvet));
    assertThat(Fx.on(model::room).screens()).isEmpty();
  }

  @Test
  @DisplayName("over an open door: square to its wall, beside the opening, within the room")
  void overADoor() {
    RoomModel model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    for (int wall = 1; wall <= 4; wall++) {
      Surface side = Surface.wall(wall);
      Fx.run(() -> model.shape().add(Opening.DOOR, side, 1));
      Fx.run(() -> model.furniture().add(FreeCloth.OVER_DOOR));
      Room room = Fx.on(model::room);
      Screen leaf = room.screens().getLast();
      Patch door = room.patches().getLast();
      double hinge = door.corners().getFirst().x();
      Point foot = room.enclosure().unbounded(side, new Point(hinge, 0, 0));
      Point along = room.enclosure().unbounded(side, new Point(hinge + 1, 0, 0)).minus(foot);
      assertThat(leaf.from().distanceTo(foot)).as(side.id()).isLessThan(0.06);
      assertThat(leaf.to().minus(leaf.from()).dot(along)).isCloseTo(0, within(1e-9));
      assertThat(room.holds(leaf.middle())).isTrue();
      Fx.run(() -> model.shape().remove(model.shape().pieces().size() - 1));
    }
  }

  @Test
  @DisplayName("a screen and a monitor stand on the desk beside each other, a lamp hangs overhead")
  void onTop() {
    RoomModel model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    for (Piece piece : new Piece[] {Piece.DESK, Piece.COMPUTER_SCREEN, Piece.MONITOR, Piece.LAMP}) {
      Fx.run(() -> model.furniture().add(piece));
    }
    List<Furniture> all = Fx.on(model::room).furniture();
    Furniture desk = all.get(all.size() - 4);
    for (Furniture top : all.subList(all.size() - 3, all.size() - 1)) {
      assertThat(top.corner().z()).isCloseTo(desk.top(), within(1e-9));
      assertThat(top.plan()).allMatch(p -> new Outline(desk.plan()).contains(inwards(p, desk)));
    }
    assertThat(all.getLast().corner().z()).isEqualTo(1.5);
  }

  /** A little towards the middle, so that what stands on the very edge is within. */
  private static Point inwards(Point p, Furniture of) {
    Point middle = Outline.centre(of.plan());
    return p.plus(middle.minus(p), 0.01);
  }
}
