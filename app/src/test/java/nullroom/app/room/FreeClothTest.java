package nullroom.app.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.room.Point;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Screen;
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
}
