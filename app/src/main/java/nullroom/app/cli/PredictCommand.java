package nullroom.app.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nullroom.app.control.BandName;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Mode;
import nullroom.core.predict.ReflectedSound;
import nullroom.core.predict.RoomResponse;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "predict",
    mixinStandardHelpOptions = true,
    description = "reverberation, modes and what the microphone hears")
final class PredictCommand implements Callable<Integer> {
  private static final double HIGHEST_MODE_HZ = 300;

  /** The same room gives the same figures. */
  private static final long SEED = 1;

  @Parameters(paramLabel = "BOOK|ROOM.json", description = "folder of a room book, or a room file")
  Path path = Path.of("");

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  @Override
  public Integer call() {
    RoomBook book = BookFolder.readBook(path);
    Room room = book.room();
    Statistics statistics = Statistics.of(room);
    RoomResponse response = RoomResponse.of(room, SEED, Progress.NONE);
    Heard heard = Heard.of(room, statistics.seconds(), ReflectedSound.of(response));
    Margins margins = heard.margins();
    Margins targets = book.goal().targets();
    if (json) {
      json(room, statistics, response, heard, targets).print();
      return 0;
    }
    System.out.printf(
        Locale.ROOT,
        "%.1f m3, %.1f m2; %s%n",
        statistics.volume(),
        statistics.surface(),
        statistics.why());
    System.out.println("  band       T  direct   early    late   noise     C50");
    for (int i = 0; i < Octave.COUNT; i++) {
      System.out.printf(
          Locale.ROOT,
          "%6.0f %7.2f %7.1f %7.1f %7.1f %7.1f %7.1f%n",
          Octave.nominalHz(i),
          statistics.seconds().get(i),
          heard.directDbSpl().get(i),
          heard.earlyDbSpl().get(i),
          heard.lateDbSpl().get(i),
          heard.noiseDbSpl().get(i),
          heard.c50Db().get(i));
    }
    for (Margins.Kind kind : Margins.Kind.values()) {
      System.out.printf(
          Locale.ROOT,
          "%-5s %6.1f dB, target %.0f: %s%n",
          lower(kind),
          margins.get(kind),
          targets.get(kind),
          margins.mark(targets, kind).name().toLowerCase(Locale.ROOT));
    }
    return 0;
  }

  private static String lower(Margins.Kind kind) {
    return kind.name().toLowerCase(Locale.ROOT);
  }

  private static JsonOut json(
      Room room, Statistics s, RoomResponse response, Heard heard, Margins targets) {
    JsonOut out = new JsonOut();
    out.put("volumeCubicMetres", s.volume());
    out.put("surfaceSquareMetres", s.surface());
    out.put("schroederHz", s.schroederHz());
    out.put("meanFreePathMetres", s.meanFreePath());
    out.text("statistics", s.chosenId());
    out.text("statisticsWhy", s.why());
    List<JsonOut> bands = new ArrayList<>();
    for (int i = 0; i < Octave.COUNT; i++) {
      bands.add(band(room, s, response, heard, i));
    }
    out.array("bands", bands);
    out.array(
        "reflections", response.arrivals().stream().map(a -> reflection(response, a)).toList());
    out.array("modes", Mode.of(room, HIGHEST_MODE_HZ).stream().map(PredictCommand::mode).toList());
    out.put("standardErrorDb", only(response.hasLate(), response.standardErrorDb()));
    Margins margins = heard.margins();
    JsonOut three = out.object("margins");
    three.put("quietDb", margins.quietDb());
    three.put("clearDb", only(heard.hasLate(), margins.clearDb()));
    three.put("safeDb", margins.safeDb());
    margins(out.object("targets"), targets);
    out.text("weakest", lower(heard.margins().weakest(targets)));
    out.texts("warnings", warnings(room, response, heard));
    return out;
  }

  private static List<String> warnings(Room room, RoomResponse response, Heard heard) {
    List<String> warnings = new ArrayList<>();
    String silent =
        IntStream.range(0, Octave.COUNT)
            .filter(b -> !heard.hasLate(b))
            .mapToObj(b -> BandName.of(Octave.nominalHz(b)))
            .collect(Collectors.joining(", "));
    if (!silent.isEmpty()) {
      warnings.add(
          silent
              + ": what the room sends back after 50 ms lies 60 dB and more under the voice; there is no late level and no C50.");
    }
    if (response.standardErrorDb() > RoomResponse.ENOUGH_ERROR_DB) {
      warnings.add(
          String.format(
              Locale.ROOT,
              "The late level is known to %.1f dB only: this room takes more rays than can be waited for.",
              response.standardErrorDb()));
    }
    if (room.noiseDbSpl().isEmpty()) {
      warnings.add("No room noise is given; a quiet bedroom of about 25 dBA is assumed.");
    }
    if (response.directBlocked()) {
      warnings.add(
          "Something stands between the talker and the microphone: there is no direct sound, and levels of reflections refer to what it would be.");
    }
    return warnings;
  }

  private static OptionalDouble only(boolean known, double figure) {
    return known ? OptionalDouble.of(figure) : OptionalDouble.empty();
  }

  private static JsonOut reflection(RoomResponse response, RoomResponse.Arrival arrival) {
    JsonOut out = new JsonOut();
    double direct = response.directSeconds();
    out.put("delaySeconds", arrival.seconds() - direct);
    out.put("extraPathMetres", arrival.metres() * (1 - direct / arrival.seconds()));
    out.put(
        "levelDb",
        Decibels.ofEnergy(
            arrival.energy().get(Octave.HZ_1000) / response.directEnergy().get(Octave.HZ_1000)));
    out.texts("surfaces", arrival.surfaces());
    return out;
  }

  private static void margins(JsonOut out, Margins m) {
    out.put("quietDb", m.quietDb());
    out.put("clearDb", m.clearDb());
    out.put("safeDb", m.safeDb());
  }

  private static JsonOut mode(Mode m) {
    JsonOut out = new JsonOut();
    out.put("frequencyHz", m.frequencyHz());
    out.numbers("order", m.nx(), m.ny(), m.nz());
    out.text("kind", m.kind());
    return out;
  }

  private static JsonOut band(Room room, Statistics s, RoomResponse response, Heard heard, int i) {
    JsonOut out = new JsonOut();
    out.put("centreHz", Octave.nominalHz(i));
    out.put("absorptionAreaSquareMetres", s.absorptionArea().get(i));
    out.put("meanAbsorption", s.absorptionArea().get(i) / s.surface());
    out.put("airAttenuationDbPerKm", 1000 * room.air().attenuationDbPerMetre(Octave.exactHz(i)));
    for (Statistics.Formula formula : Statistics.Formula.values()) {
      out.put(
          formula.id() + "Seconds",
          s.seconds(formula).map(t -> OptionalDouble.of(t.get(i))).orElse(OptionalDouble.empty()));
    }
    out.put("statisticsSeconds", s.seconds().get(i));
    out.put("t20Seconds", response.t20Seconds(i));
    out.put("edtSeconds", response.edtSeconds(i));
    out.put("criticalDistanceMetres", s.criticalDistance(room, i));
    boolean heardDirect = !response.directBlocked();
    out.put("directDbSpl", only(heardDirect, heard.directDbSpl().get(i)));
    out.put("earlyDbSpl", only(heard.hasReply(i), heard.earlyDbSpl().get(i)));
    out.put("lateDbSpl", only(heard.hasLate(i), heard.lateDbSpl().get(i)));
    out.put("c50Db", only(heard.hasLate(i), heard.c50Db().get(i)));
    out.put(
        "directToReverberantDb",
        only(heardDirect && heard.hasReply(i), heard.directToReverberantDb().get(i)));
    out.put("roomNoiseDbSpl", heard.roomNoiseDbSpl().get(i));
    out.put("selfNoiseDbSpl", heard.selfNoiseDbSpl().get(i));
    out.put("preampNoiseDbSpl", heard.preampNoiseDbSpl().get(i));
    return out;
  }
}
