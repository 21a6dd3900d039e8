package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.ReferenceTable;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Pattern;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShelfTest {
  @Test
  @DisplayName("usual figures of every class lie in the ranges of the reference table")
  void classes() {
    for (CSVRecord row : ReferenceTable.rows("mic_classes.csv")) {
      MicrophoneType type = MicrophoneType.find(row.get("id")).orElseThrow();
      within(row, "self_noise", "_db_a", type.selfNoiseDbA());
      within(row, "max_spl", "_db", type.maxDbSpl());
      if (type.dbfsAt94DbSpl().isEmpty() && !row.get("sensitivity_low_mv_per_pa").isBlank()) {
        double millivolts = 1000 * Math.pow(10, type.sensitivityDbvPerPascal() / 20);
        assertThat(millivolts)
            .as(type.id())
            .isBetween(
                0.97 * Double.parseDouble(row.get("sensitivity_low_mv_per_pa")),
                1.03 * Double.parseDouble(row.get("sensitivity_high_mv_per_pa")));
      }
    }
    assertThat(MicrophoneType.ALL).extracting(MicrophoneType::id).doesNotHaveDuplicates();
  }

  private static void within(CSVRecord row, String figure, String unit, double usual) {
    String low = row.get(figure + (unit.equals("_db") ? "_low_db" : "_low_db_a"));
    String high = row.get(figure + (unit.equals("_db") ? "_high_db" : "_high_db_a"));
    if (!low.isBlank()) {
      assertThat(usual)
          .as(row.get("id") + " " + figure)
          .isBetween(Double.parseDouble(low), Double.parseDouble(high));
    }
  }

  @Test
  @DisplayName("what is not stated is the class's; what is stated counts, and can be unsaid")
  void usualAndStated() {
    Kit usual = Kit.of(MicrophoneType.find("sdc_cardioid").orElseThrow(), "pencil");
    assertThat(usual.number(KitField.SELF_NOISE)).isEqualTo(16);
    assertThat(usual.stated()).containsOnlyKeys(KitField.CLASS);
    Kit stated =
        usual
            .with(KitField.SELF_NOISE, Optional.of("13,5"))
            .with(KitField.PATTERN, Optional.of("hypercardioid"));
    assertThat(stated.asType().selfNoiseDbA()).isEqualTo(13.5);
    assertThat(stated.asType().pattern()).isEqualTo(Pattern.HYPERCARDIOID);
    assertThat(stated.asType().label()).isEqualTo("pencil");
    assertThat(stated.with(KitField.SELF_NOISE, Optional.empty()).number(KitField.SELF_NOISE))
        .isEqualTo(16);
    assertThat(stated.is(KitField.OWNED)).isTrue();
  }

  @Test
  @DisplayName("digits or volts: as its class has it, or as was stated")
  void digitsOrVolts() {
    Kit usb = Kit.of(MicrophoneType.find("usb_condenser").orElseThrow(), "desk");
    assertThat(usb.asType().dbfsAt94DbSpl()).hasValue(-24);
    Kit wired = usb.with(KitField.SENSITIVITY, Optional.of("-36"));
    assertThat(wired.asType().dbfsAt94DbSpl()).isEmpty();
    assertThat(wired.asType().on(TestRooms.OMNI_CHAIN).preamp()).isTrue();
    assertThat(usb.asType().on(TestRooms.OMNI_CHAIN).preamp()).isFalse();
  }

  @Test
  @DisplayName("inputs, boosters and transmitters go into the chain")
  void chain() {
    Kit input = new Kit(Kit.Kind.INPUT, "box", Map.of(KitField.EIN, "-129", KitField.BITS, "16"));
    assertThat(input.on(TestRooms.OMNI_CHAIN).preampEinDbu()).isEqualTo(-129);
    assertThat(input.on(TestRooms.OMNI_CHAIN).bits()).isEqualTo(16);
    assertThat(input.on(TestRooms.OMNI_CHAIN.withGainDb(70)).gainDb()).isEqualTo(60);
    Kit booster = new Kit(Kit.Kind.BOOSTER, "lift", Map.of());
    Shelf shelf = Shelf.EMPTY.plus(input).plus(booster);
    assertThat(shelf.stages())
        .singleElement()
        .satisfies(s -> {
          assertThat(s.name()).isEqualTo("lift");
          assertThat(s.gainDb()).isEqualTo(25);
        });
    assertThat(shelf.inputs()).containsExactly(input);
  }

  @Test
  @DisplayName("what is thought of costs its price, what is owned nothing")
  void price() {
    Kit owned = new Kit(Kit.Kind.STAND, "tripod", Map.of(KitField.PRICE, "40"));
    Kit thought =
        new Kit(Kit.Kind.CABLE, "lead", Map.of(KitField.PRICE, "12.5", KitField.OWNED, "false"));
    assertThat(Shelf.EMPTY.plus(owned).plus(thought).stillToBuy()).isEqualTo(12.5);
    assertThatThrownBy(() -> Shelf.EMPTY.plus(owned).plus(owned))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("tripod");
    assertThat(Shelf.EMPTY.plus(owned).freeName("tripod")).isEqualTo("tripod 2");
  }

  @ParameterizedTest
  @CsvSource({
    "SENSITIVITY, 12, -38.4", // millivolts
    "SENSITIVITY, 0.02, -34.0", // volts
    "SENSITIVITY, -72, -52", // under a volt per microbar
    "SELF_NOISE, 78, 16", // signal-to-noise ratio
    "EIN, 128, -128"
  })
  @DisplayName("a figure in another unit is asked about, with what it would be")
  void otherUnits(KitField field, double number, double meant) {
    assertThat(field.doubt(number).orElseThrow().figure())
        .isCloseTo(meant, org.assertj.core.api.Assertions.within(0.06));
    assertThat(KitField.SENSITIVITY.doubt(-56)).as("a ribbon").isEmpty();
  }

  @Test
  void whatCannotBeSaidIsRefused() {
    assertThatThrownBy(() -> new Kit(Kit.Kind.MICROPHONE, "x", Map.of()))
        .hasMessageContaining("missing");
    assertThatThrownBy(() -> new Kit(Kit.Kind.STAND, "x", Map.of(KitField.EIN, "-120")))
        .hasMessageContaining("cannot be said of a stand");
    assertThatThrownBy(() -> KitField.PATTERN.checked("kardioid")).hasMessageContaining("none of");
    assertThatThrownBy(() -> KitField.SELF_NOISE.checked("78")).hasMessageContaining("signal");
    assertThat(KitField.PLACES.checked("boom, stand")).isEqualTo("boom stand");
    assertThat(List.of(KitField.OWNED.checked("yes"), KitField.OWNED.checked("false")))
        .containsExactly("true", "false");
  }
}
