package nullroom.core.acoustics;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class LooseThingsTest {
  /** H. Kuttruff, Room Acoustics, table of absorption coefficients: a person standing (memory). */
  @Test
  @DisplayName("a person standing takes up 0.98 m2 at 1 kHz; missing outer octaves are filled in")
  void person() {
    LooseThings.Entry person = LooseThings.all().getFirst();
    assertThat(person.name()).startsWith("Person standing");
    assertThat(person.source()).contains("Kuttruff", "from memory");
    assertThat(person.squareMetres())
        .isEqualTo(Bands.of(0.06, 0.12, 0.24, 0.59, 0.98, 1.13, 1.12, 1.12));
    assertThat(LooseThings.all()).allMatch(e -> e.squareMetres().get(4) > 0);
    assertThat(LooseThings.all()).extracting(LooseThings.Entry::name).doesNotHaveDuplicates();
  }
}
