package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class PredictTest {
  private static final double VOLUME = 4.2 * 3.4 * 2.5;
  private static final double SURFACE = 2 * (4.2 * 3.4 + 4.2 * 2.5 + 3.4 * 2.5);

  @TempDir Path folder;

  private JsonNode predict(String piece, String other) {
    return Run.json("predict", RoomFile.in(folder, piece, other));
  }

  @Test
  void hasEveryKeyOfTheDocumentedObject() {
    JsonNode json = predict("", "");
    assertThat(Run.keys(json))
        .containsExactlyInAnyOrder(
            "volumeCubicMetres",
            "surfaceSquareMetres",
            "schroederHz",
            "meanFreePathMetres",
            "statistics",
            "statisticsWhy",
            "bands",
            "reflections",
            "modes",
            "standardErrorDb",
            "margins",
            "targets",
            "weakest",
            "basis",
            "uncertaintyDb",
            "verdicts",
            "warnings");
    assertThat(Run.keys(json.get("bands").get(0)))
        .containsExactlyInAnyOrder(
            "centreHz",
            "absorptionAreaSquareMetres",
            "meanAbsorption",
            "airAttenuationDbPerKm",
            "sabineSeconds",
            "eyringSeconds",
            "millingtonSeconds",
            "fitzroySeconds",
            "arauPuchadesSeconds",
            "statisticsSeconds",
            "t20Seconds",
            "edtSeconds",
            "criticalDistanceMetres",
            "directDbSpl",
            "earlyDbSpl",
            "lateDbSpl",
            "c50Db",
            "directToReverberantDb",
            "roomNoiseDbSpl",
            "selfNoiseDbSpl",
            "preampNoiseDbSpl");
    assertThat(Run.keys(json.get("margins"))).containsExactly("quietDb", "clearDb", "safeDb");
  }

  @Test
  @DisplayName(
      "Sabine and Eyring with 4mV, 24 ln 10/c = 0.16102 s/m at 20 °C (Kuttruff, Room Acoustics)")
  void reverberationByHand() {
    JsonNode json = predict("", "");
    assertThat(json.get("volumeCubicMetres").asDouble()).isCloseTo(VOLUME, within(1e-4));
    assertThat(json.get("surfaceSquareMetres").asDouble()).isCloseTo(SURFACE, within(1e-4));
    JsonNode band = Run.band(json.get("bands"), 1000);
    double air = 4 * band.get("airAttenuationDbPerKm").asDouble() / 1000 / 4.342945 * VOLUME;
    assertThat(band.get("absorptionAreaSquareMetres").asDouble())
        .isCloseTo(0.2 * SURFACE, within(1e-4));
    assertThat(band.get("sabineSeconds").asDouble())
        .isCloseTo(0.16102 * VOLUME / (0.2 * SURFACE + air), within(0.002));
    double eyring = 0.16102 * VOLUME / (-SURFACE * Math.log(0.8) + air);
    assertThat(band.get("eyringSeconds").asDouble()).isCloseTo(eyring, within(0.002));
    // evenly clad, all formulas but Sabine's agree
    assertThat(band.get("millingtonSeconds").asDouble()).isCloseTo(eyring, within(0.002));
    assertThat(band.get("fitzroySeconds").asDouble()).isCloseTo(eyring, within(0.002));
    assertThat(band.get("arauPuchadesSeconds").asDouble()).isCloseTo(eyring, within(0.002));
    assertThat(json.get("meanFreePathMetres").asDouble())
        .isCloseTo(4 * VOLUME / SURFACE, within(0.001));
    assertThat(json.get("schroederHz").asDouble())
        .isCloseTo(2000 * Math.sqrt(eyring / VOLUME), within(3.0));
  }

  @Test
  @DisplayName(
      "modes of 4.2 x 3.4 x 2.5 m: 40.86, 50.47 and 68.64 Hz axial; (1,1,1) at 94.49 Hz; 46 to 200 Hz (Rayleigh)")
  void modes() {
    var modes = Run.elements(predict("", "").get("modes"));
    assertThat(modes.getFirst().get("frequencyHz").asDouble()).isCloseTo(40.86, within(0.02));
    assertThat(modes.getFirst().get("kind").asString()).isEqualTo("axial");
    assertThat(modes.get(1).get("frequencyHz").asDouble()).isCloseTo(50.47, within(0.02));
    assertThat(modes)
        .anySatisfy(m -> {
          assertThat(m.get("order").toString()).isEqualTo("[1,1,1]");
          assertThat(m.get("frequencyHz").asDouble()).isCloseTo(94.49, within(0.03));
          assertThat(m.get("kind").asString()).isEqualTo("oblique");
        });
    assertThat(modes.stream().filter(m -> m.get("frequencyHz").asDouble() <= 200)).hasSize(46);
    assertThat(modes.getLast().get("frequencyHz").asDouble()).isLessThanOrEqualTo(300);
  }

  @Test
  @DisplayName(
      "free field: twice the distance is 6.02 dB less; ISO 9921: normal speech is 60 dBA at 1 m, 70.5 at 0.3 m")
  void directSoundByDistance() {
    JsonNode near = predict("", "");
    JsonNode far = predict("\"at\": [1.5, 1.5, 1.5]", "\"at\": [1.8, 1.5, 1.5]");
    double sum = 0;
    double[] aWeights = {-26.2, -16.1, -8.6, -3.2, 0, 1.2, 1.0, -1.1};
    for (int i = 0; i < 8; i++) {
      double level = near.get("bands").get(i).get("directDbSpl").asDouble();
      sum += Math.pow(10, (level + aWeights[i]) / 10);
      assertThat(level - far.get("bands").get(i).get("directDbSpl").asDouble())
          .isCloseTo(6.02, within(0.01));
    }
    assertThat(10 * Math.log10(sum)).isCloseTo(70.46, within(0.1));
  }

  @ParameterizedTest
  @DisplayName(
      "random energy efficiency takes 4.77, 5.72, 6.02 and 4.77 dB of diffuse noise (first-order patterns)")
  @CsvSource({"cardioid,4.77", "supercardioid,5.72", "hypercardioid,6.02", "figureEight,4.77"})
  void patternsRejectRoomNoise(String pattern, double less) {
    JsonNode omni = predict("", "");
    JsonNode other = predict("\"pattern\": \"omni\"", "\"pattern\": \"" + pattern + "\"");
    for (int i = 0; i < 8; i++) {
      assertThat(
              omni.get("bands").get(i).get("roomNoiseDbSpl").asDouble()
                  - other.get("bands").get(i).get("roomNoiseDbSpl").asDouble())
          .isCloseTo(less, within(0.01));
    }
    assertThat(omni.get("bands").get(2).get("roomNoiseDbSpl").asDouble())
        .isCloseTo(28, within(1e-6));
  }

  @Test
  void figuresOfABandBelongTogether() {
    for (JsonNode band : predict("", "").get("bands")) {
      double direct = energy(band, "directDbSpl");
      double early = energy(band, "earlyDbSpl");
      double late = energy(band, "lateDbSpl");
      assertThat(band.get("c50Db").asDouble())
          .isCloseTo(10 * Math.log10((direct + early) / late), within(1e-3));
      assertThat(band.get("directToReverberantDb").asDouble())
          .isCloseTo(10 * Math.log10(direct / (early + late)), within(1e-3));
    }
  }

  private static double energy(JsonNode band, String key) {
    return Math.pow(10, band.get(key).asDouble() / 10);
  }

  @Test
  @DisplayName(
      "gain: full scale is 94 - (S + 2.22) - gain + 20 dBu; 10 dB less gain is 10 dB safer until the capsule gives out")
  void safeMarginFollowsTheGain() {
    double at40 = predict("", "").get("margins").get("safeDb").asDouble();
    double at30 =
        predict("\"gainDb\": 40", "\"gainDb\": 30").get("margins").get("safeDb").asDouble();
    double at0 = predict("\"gainDb\": 40", "\"gainDb\": 0").get("margins").get("safeDb").asDouble();
    assertThat(at30 - at40).isCloseTo(10, within(1e-3));
    double fullScale = 94 + 38 - 2.2185 - 40 + 20;
    assertThat(at0 - at40).isCloseTo(130 - fullScale, within(0.01));
  }

  @Test
  void aSlopedRoomHasNoFormulaForBoxesAndNoModes() {
    JsonNode json =
        predict(
            "{\"kind\": \"flat\", \"heightMetres\": 2.5}",
            "{\"kind\": \"leanTo\", \"lowMetres\": 1.6, \"highMetres\": 2.6, \"lowWall\": \"wall1\"}");
    assertThat(json.get("volumeCubicMetres").asDouble()).isCloseTo(4.2 * 3.4 * 2.1, within(1e-4));
    assertThat(json.get("modes").size()).isZero();
    assertThat(json.get("bands").get(3).get("fitzroySeconds").isNull()).isTrue();
    assertThat(json.get("bands").get(3).get("arauPuchadesSeconds").isNull()).isTrue();
    assertThat(json.get("statistics").asString()).isEqualTo("eyring");
  }

  @Test
  void missingNoiseIsAssumedAndSaid() {
    JsonNode json =
        predict(",\n  \"noise\": {\"octaveDbSpl\": [40, 34, 28, 23, 19, 15, 12, 10]} }", "}");
    assertThat(Run.warns(json, "assumed")).isTrue();
  }

  @Test
  @DisplayName(
      "closed form (Allen and Berkley 1979): the ceiling's mirror at 1.2, 1.5, 3.5 is 2.022 m away, the floor's 3.015 m")
  void reflectionsOfABox() {
    JsonNode json = predict("", "");
    var all = Run.elements(json.get("reflections"));
    double direct = 0.3;
    double path = Math.hypot(0.3, 2 * 2.5 - 3.0);
    JsonNode ceiling =
        all.stream()
            .filter(r -> r.get("surfaces").toString().equals("[\"ceiling\"]"))
            .findFirst()
            .orElseThrow();
    assertThat(ceiling.get("extraPathMetres").asDouble()).isCloseTo(path - direct, within(1e-5));
    assertThat(ceiling.get("delaySeconds").asDouble())
        .isCloseTo((path - direct) / 343.2, within(1e-6));
    assertThat(ceiling.get("levelDb").asDouble())
        .isCloseTo(20 * Math.log10(direct / path) + 10 * Math.log10(0.8 * 0.9), within(0.02));
    assertThat(all)
        .isSortedAccordingTo(
            java.util.Comparator.comparingDouble(r -> r.get("delaySeconds").asDouble()));
    assertThat(all).allMatch(r -> r.get("delaySeconds").asDouble() <= 0.05);
    assertThat(all.stream().filter(r -> r.get("surfaces").size() == 1)).hasSize(6);
    assertThat(json.get("standardErrorDb").asDouble()).isBetween(0.001, 0.3);
    JsonNode band = Run.band(json.get("bands"), 1000);
    double eyring = band.get("eyringSeconds").asDouble();
    assertThat(band.get("t20Seconds").asDouble()).isCloseTo(eyring, within(0.12 * eyring));
    assertThat(predict("", "")).as("the same room, the same figures").isEqualTo(json);
  }

  @Test
  void aRoomThatSendsNothingBackHasNullsAndASentence() {
    JsonNode json = predict("0.2", "0.9");
    for (JsonNode band : json.get("bands")) {
      for (String key : new String[] {"lateDbSpl", "c50Db", "t20Seconds"}) {
        assertThat(band.get(key).isNull()).as(key).isTrue();
      }
      assertThat(band.get("directDbSpl").asDouble()).isGreaterThan(20);
    }
    assertThat(json.get("standardErrorDb").isNull()).isTrue();
    assertThat(json.get("margins").get("clearDb").isNull()).isTrue();
    assertThat(json.get("weakest").asString()).isNotEqualTo("clear");
    assertThat(Run.warns(json, "60 dB and more under the voice")).isTrue();
  }

  @Test
  void whatHidesTheTalkerTakesTheDirectSoundAway() {
    JsonNode json =
        predict(
            "\"talker\":",
            "\"furniture\": [{\"name\": \"screen\", \"at\": [1.3, 1, 0], \"lengthMetres\": 0.1,"
                + " \"widthMetres\": 1, \"heightMetres\": 2, \"material\": \"door_solid\"}], \"talker\":");
    JsonNode band = Run.band(json.get("bands"), 1000);
    assertThat(band.get("directDbSpl").isNull()).isTrue();
    assertThat(band.get("directToReverberantDb").isNull()).isTrue();
    assertThat(band.get("earlyDbSpl").asDouble()).isGreaterThan(30);
    assertThat(Run.warns(json, "no direct sound")).isTrue();
    assertThat(json.get("margins").get("clearDb").isNull()).isFalse();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"talker\": {|\"speaker\": {|talker",
        "\"microphone\": {|\"mike\": {|microphone",
        "\"heightMetres\": 2.5|\"heightMetres\": -2|heightMetres",
        "\"temperatureC\": 20|\"temperatureC\": 80|temperatureC",
        "\"humidityPercent\": 50|\"humidityPercent\": 0|humidityPercent",
        "\"lengthMetres\": 4.2|\"lengthMetres\": 4200|lengthMetres",
        "\"effort\": \"normal\"|\"effort\": \"whisper\"|talker.effort",
        "\"pattern\": \"omni\"|\"pattern\": \"square\"|microphone.pattern",
        "[40, 34, 28, 23, 19, 15, 12, 10]|[40, 34]|noise.octaveDbSpl",
        "[1.2, 1.5, 1.5]|[1.2, 1.5, 2.9]|talker.at",
        "0.2, 0.2, 0.2]},|0.2, 0.2, 1.7]},|absorption",
        "\"name\": \"box room\",|\"name\": \"box room\" |line 1"
      })
  void aWrongRoomIsRefusedWithItsPlace(String piece, String other, String place) {
    Run.of("predict", RoomFile.in(folder, piece, other), "--json").isRefusedWith(place);
  }

  @Test
  void speaksToPeopleWithoutJson() {
    Run run = Run.of("predict", RoomFile.in(folder));
    assertThat(run.out()).contains("35.7 m3", "Quiet", "Clear", "Safe", "1000");
  }

  private static final String TWO =
      """
      "talkers": [{"name": "host", "at": [1.2, 1.5, 1.5], "effort": "raised", "turnDegrees": 60, "leanMetres": 0.1},
                  {"name": "guest", "at": [3.2, 1.5, 1.5], "azimuthDegrees": 180, "effort": "relaxed"}],\
      """;

  @Test
  @DisplayName("of several talkers the first is judged, or the one named; who is worse off is said")
  void severalTalkers() {
    String single =
        "\"talker\": {\"at\": [1.2, 1.5, 1.5], \"azimuthDegrees\": 0, \"effort\": \"normal\", \"directivity\": \"omni\"},";
    Path room = RoomFile.in(folder, single, TWO);
    JsonNode host = Run.json("predict", "--quick", room);
    JsonNode guest = Run.json("predict", "--quick", "--voice", "guest", room);
    assertThat(host.get("pair").get("voice").asString()).isEqualTo("host");
    assertThat(guest.get("pair").get("voice").asString()).isEqualTo("guest");
    double apart =
        host.get("margins").get("quietDb").asDouble()
            - guest.get("margins").get("quietDb").asDouble();
    assertThat(apart).isGreaterThan(10);
    assertThat(host.get("worse").get("voice").asString()).isEqualTo("guest");
    assertThat(guest.get("worse").isNull()).isTrue();
    JsonNode worst = host.get("worstOfMovement");
    assertThat(worst.get("quietDb").asDouble())
        .isLessThan(host.get("margins").get("quietDb").asDouble());
    assertThat(guest.has("worstOfMovement")).isFalse();
    Run refused = Run.of("predict", "--voice", "nobody", room);
    assertThat(refused.code()).isEqualTo(1);
    assertThat(refused.err()).contains("[host, guest]");
  }

  @Test
  @DisplayName("a screen between takes direct sound away and absorbs with both faces")
  void screen() {
    JsonNode open = predict("", "");
    JsonNode shut =
        predict(
            "\"noise\":",
            "\"screens\": [{\"name\": \"duvet\", \"from\": [1.35, 0.5], \"to\": [1.35, 2.5], \"topMetres\": 2.4,"
                + " \"massKgPerSquareMetre\": 1.5, \"flowResistancePascalSecondsPerMetre\": 800}], \"noise\":");
    JsonNode before = Run.band(open.get("bands"), 4000);
    JsonNode after = Run.band(shut.get("bands"), 4000);
    assertThat(before.get("directDbSpl").asDouble() - after.get("directDbSpl").asDouble())
        .isBetween(3.0, 9.0);
    assertThat(after.get("absorptionAreaSquareMetres").asDouble())
        .isGreaterThan(before.get("absorptionAreaSquareMetres").asDouble() + 2);
  }
}
