package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Set;
import nullroom.core.Trouble;
import nullroom.core.book.TreatmentPiece.Hold;
import nullroom.core.room.Finish;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AtHandTest {
  private static TreatmentPiece piece(Hold hold, String... on) {
    return new TreatmentPiece(
        "duvet", 1, false, 30, 10, 1.35, 2, false, Finish.of("duvet_100"), hold, Set.of(on));
  }

  @ParameterizedTest
  @CsvSource({
    "STAND, true, false, false",
    "RAIL, true, false, false",
    "DOOR, true, false, false",
    "LEAN, true, false, false",
    "LAY, false, true, false",
    "HOOK, true, false, true",
    "DRILL, true, false, true"
  })
  @DisplayName("what holds a piece where: walls, floor, ceiling")
  void holds(Hold hold, boolean wall, boolean floor, boolean ceiling) {
    TreatmentPiece any = piece(hold);
    assertThat(any.isFor(Surface.wall(3))).isEqualTo(wall);
    assertThat(any.isFor(Surface.FLOOR)).isEqualTo(floor);
    assertThat(any.isFor(Surface.CEILING)).isEqualTo(ceiling);
  }

  @Test
  @DisplayName("surfaces that were named are all that it is for")
  void on() {
    assertThat(piece(Hold.HOOK, "wall2").isFor(Surface.wall(2))).isTrue();
    assertThat(piece(Hold.HOOK, "wall2").isFor(Surface.wall(1))).isFalse();
    assertThat(piece(Hold.HOOK, "walls").isFor(Surface.wall(1))).isTrue();
    assertThat(piece(Hold.HOOK, "walls").isFor(Surface.CEILING)).isFalse();
  }

  @Test
  @DisplayName("what goes against each other is refused with both")
  void against() {
    assertThatThrownBy(() -> piece(Hold.LAY, "ceiling"))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("“ceiling” and hold “lay” go against each other");
    assertThatThrownBy(() -> piece(Hold.STAND, "floor")).hasMessageContaining("“stand”");
    assertThatThrownBy(() -> piece(Hold.HOOK, "roof")).hasMessageContaining("no surface “roof”");
    assertThatThrownBy(() -> AtHand.USUAL.withBudget(-1))
        .hasMessageContaining("must lie between 0");
    assertThatThrownBy(() -> AtHand.USUAL.withMinutes(Double.NaN)).isInstanceOf(Trouble.class);
  }

  @Test
  void limitsAreSetAndLifted() {
    AtHand hand = AtHand.USUAL.withBudget(20).withMinutes(15).withDrilling(true).withLadder(true);
    assertThat(hand.budget()).hasValue(20);
    assertThat(hand.drilling()).isTrue();
    assertThat(hand.cannot(piece(Hold.DRILL))).isEmpty();
    assertThat(AtHand.USUAL.cannot(piece(Hold.DRILL))).isPresent();
    AtHand lifted = hand.withoutBudget().withoutMinutes().withDrilling(false).withLadder(false);
    assertThat(lifted).isEqualTo(AtHand.USUAL);
    assertThat(hand.withInPicture(true).inPicture()).isTrue();
  }
}
