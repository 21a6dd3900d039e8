package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.room.FirstRoom;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class PlacesTest {
  private static final RoomBook ONE =
      new RoomBook("mine", Goal.SPOKEN_CLOSE, TestRooms.box(0.3).named("bedroom"));

  private static List<String> names(RoomBook book) {
    return book.places().stream().map(Place::name).toList();
  }

  private static Room room(String name) {
    Room empty = FirstRoom.empty(name, 5, 4, 2.6);
    return empty.withSetUpOf(ONE.room());
  }

  @Test
  @DisplayName("places keep their order, wherever one is")
  void order() {
    RoomBook three = ONE.moved(room("living room")).copied("wardrobe");
    assertThat(names(three)).containsExactly("bedroom", "living room", "wardrobe");
    assertThat(three.here().name()).isEqualTo("wardrobe");
    for (String name : names(three)) {
      assertThat(names(three.goTo(name))).containsExactlyElementsOf(names(three));
      assertThat(three.goTo(name).room().name()).isEqualTo(name);
    }
    assertThat(three.goTo("bedroom").goTo("wardrobe")).isEqualTo(three);
  }

  @Test
  @DisplayName("same kit, new room: chain and plans come along, what was heard stays")
  void sameKit() {
    RoomBook known = ONE.with(ONE.listening().withChainKnown(true));
    RoomBook planned = known.with(known.levels().with(Staging.USUAL.by(School.FLOAT)));
    RoomBook moved = planned.moved(room("living room"));
    assertThat(moved.listening().chainKnown()).isTrue();
    assertThat(moved.levels().staging().school()).isEqualTo(School.FLOAT);
    assertThat(moved.room().requireMicrophone().capture())
        .isEqualTo(ONE.room().requireMicrophone().capture());
    assertThat(moved.noise()).isEmpty();
    assertThat(moved.decays().measured()).isEmpty();
    assertThat(Hearing.quick(moved).heard().margins().clearDb()).isFinite();
  }

  @Test
  @DisplayName("what is planned follows to another place, what was found there stays there")
  void plansFollow() {
    RoomBook two = ONE.copied("other").with(ONE.levels().withTake("take-1.wav"));
    RoomBook back = two.with(two.levels().with(Staging.USUAL.by(School.AVERAGE))).goTo("bedroom");
    assertThat(back.levels().staging().school()).isEqualTo(School.AVERAGE);
    assertThat(back.levels().take()).isEmpty();
    assertThat(back.goTo("other").levels().take()).isEqualTo("take-1.wav");
  }

  @Test
  void oneIsTakenOutAndNeverTheLast() {
    RoomBook three = ONE.copied("a").copied("b");
    assertThat(names(three.goTo("a").withoutPlace())).containsExactly("bedroom", "b");
    assertThat(three.goTo("a").withoutPlace().here().name()).isEqualTo("bedroom");
    assertThat(names(three.goTo("bedroom").withoutPlace())).containsExactly("a", "b");
    assertThat(names(three.withoutPlace())).containsExactly("bedroom", "a");
    assertThatThrownBy(ONE::withoutPlace).isInstanceOf(Trouble.BadField.class);
  }

  @Test
  void namesAreOneEach() {
    assertThatThrownBy(() -> ONE.copied("bedroom")).hasMessageContaining("two are called");
    assertThatThrownBy(() -> ONE.copied("a").goTo("b")).hasMessageContaining("bedroom, a");
    RoomBook many = ONE;
    for (int i = 1; i < RoomBook.MOST_PLACES; i++) {
      many = many.copied("p" + i);
    }
    RoomBook full = many;
    assertThatThrownBy(() -> full.copied("one more")).hasMessageContaining("12 at most");
  }
}
