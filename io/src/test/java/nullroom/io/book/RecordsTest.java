package nullroom.io.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.HumTest;
import nullroom.core.book.Suspect;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.noise.MainsHum;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Tone;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.Point;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

class RecordsTest {
  private static Field field(String json) {
    return new Field("there", JsonMapper.shared().readTree(json));
  }

  @Test
  @DisplayName("what is written is read again as it was; absent figures are left out")
  void roundTrip() {
    Suspect fan =
        Suspect.of("fan", true)
            .withOn(new Suspect.Heard("fan-on.wav", Bands.all(-40), Optional.empty()))
            .with(Optional.of(new NoiseSource("fan", new Point(1, 2, 0.5), Bands.all(20))));
    assertThat(Records.tree(fan).toString())
        .contains("octaveDbSplAtMetre", "[1.0,2.0,0.5]")
        .doesNotContain("\"off\"", "null");
    assertThat(Records.read(field(Records.tree(fan).toString()), Suspect.class)).isEqualTo(fan);
    HumTest hum =
        new HumTest(
            HumTest.Way.TERMINATED,
            Optional.of(new MainsHum(50, List.of(50.0, 100.0), -60, 12)),
            Optional.empty());
    assertThat(Records.tree(hum).toString()).contains("\"way\":\"terminated\"");
    assertThat(Records.read(field(Records.tree(hum).toString()), HumTest.class)).isEqualTo(hum);
  }

  @Test
  @DisplayName("absent figures are empty, absent lists are empty, absent flags are no")
  void absent() {
    NoiseReport.BandLevel band =
        Records.read(field("{\"centreHz\": 63}"), NoiseReport.BandLevel.class);
    assertThat(band.leqDbfs()).isEqualTo(OptionalDouble.empty());
    NoiseReport report =
        Records.read(
            field("{\"seconds\":1,\"sampleRateHz\":48000,\"dcOffset\":0,\"clippedSamples\":0}"),
            NoiseReport.class);
    assertThat(report.octaves()).isEmpty();
    assertThat(Records.read(field("{\"name\":\"fan\"}"), Suspect.class))
        .isEqualTo(Suspect.of("fan", false));
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"frequencyHz\":\"50\",\"levelDbfs\":-60,\"prominenceDb\":9,\"kind\":\"tone\"}|there.frequencyHz|number",
        "{\"levelDbfs\":-60,\"prominenceDb\":9,\"kind\":\"tone\"}|there|missing",
        "{\"frequencyHz\":1e999,\"levelDbfs\":-60,\"prominenceDb\":9,\"kind\":\"tone\"}|there.frequencyHz|number",
        "{\"frequencyHz\":50,\"levelDbfs\":-60,\"prominenceDb\":9,\"kind\":\"flute\"}|there.kind|flute",
        "{\"frequencyHz\":50,\"levelDbfs\":-60,\"prominenceDb\":9,\"kind\":3}|there.kind|",
        "{\"frequencyHz\":50,\"levelDbfs\":{},\"prominenceDb\":9,\"kind\":\"tone\"}|there.levelDbfs|number",
        "[]|there|object"
      })
  @DisplayName("what is wrong is said with its place")
  void wrong(String json, String place, String word) {
    assertThatThrownBy(() -> Records.read(field(json), Tone.class))
        .isInstanceOfSatisfying(
            Trouble.BadField.class,
            t -> {
              assertThat(t.place()).startsWith(place);
              assertThat(t.getMessage()).contains(word == null ? "" : word);
            });
  }

  @Test
  @DisplayName("deep inside a list, too")
  void deep() {
    assertThatThrownBy(() ->
            Records.read(
                field(
                    "{\"sampleRateHz\":1,\"takes\":1,\"bands\":[{\"centreHz\":63},{\"centreHz\":\"x\"}]}"),
                DecayReport.class))
        .isInstanceOfSatisfying(
            Trouble.BadField.class,
            t -> assertThat(t.place()).startsWith("there.bands[1].centreHz"));
  }
}
