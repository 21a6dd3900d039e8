package nullroom.app.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nullroom.app.control.BandName;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Goal;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Pair;
import nullroom.core.plan.Prediction;
import nullroom.core.plan.Verdicts;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Mode;
import nullroom.core.predict.Origin;
import nullroom.core.predict.RoomResponse;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;

/** What {@code predict --json} prints. */
final class PredictJson {
  private static final double HIGHEST_MODE_HZ = 300;

  private PredictJson() {}

  private record Three(double quietDb, OptionalDouble clearDb, double safeDb) {}

  private record Words(String quiet, String clear, String safe) {}

  private record ModeOut(double frequencyHz, List<Integer> order, String kind) {}

  private record Reflection(
      double delaySeconds, double extraPathMetres, double levelDb, List<String> surfaces) {}

  /** What a goal asks for. */
  static JsonOut targets(Goal goal) {
    Margins targets = goal.targets();
    return new JsonOut()
        .put("quietDb", targets.quietDb())
        .put("clearDb", targets.clearDb())
        .put("safeDb", targets.safeDb())
        .put("decayFromSeconds", goal.shortestSeconds())
        .put("decayToSeconds", goal.longestSeconds());
  }

  static JsonOut of(Prediction found, boolean why) {
    Statistics s = found.statistics();
    Heard heard = found.heard();
    Verdicts verdicts = found.ladder().verdicts();
    JsonOut out = new JsonOut();
    out.put("volumeCubicMetres", s.volume())
        .put("surfaceSquareMetres", s.surface())
        .put("schroederHz", s.schroederHz())
        .put("meanFreePathMetres", s.meanFreePath())
        .put("statistics", s.chosenId())
        .put("statisticsWhy", s.why())
        .put("bands", IntStream.range(0, Octave.COUNT).mapToObj(i -> band(found, i)).toList())
        .put(
            "reflections",
            found.arrivals().arrivals().stream().map(a -> reflection(found, a)).toList())
        .put(
            "modes",
            Mode.of(found.room(), HIGHEST_MODE_HZ).stream().map(PredictJson::mode).toList())
        .put(
            "standardErrorDb",
            found
                .traced()
                .filter(RoomResponse::hasLate)
                .map(r -> OptionalDouble.of(r.standardErrorDb()))
                .orElse(OptionalDouble.empty()))
        .put("margins", three(verdicts, heard, Margin::db));
    out.put("targets", targets(found.goal()))
        .put("uncertaintyDb", three(verdicts, heard, Margin::uncertaintyDb))
        .put(
            "verdicts",
            new Words(
                verdicts.quiet().verdict().id(),
                verdicts.clear().verdict().id(),
                verdicts.safe().verdict().id()))
        .put("weakest", Figures.word(verdicts.weakest().kind()))
        .put("basis", basis(heard));
    found
        .worstOfMovement()
        .ifPresent(m ->
            out.put(
                "worstOfMovement",
                new Three(m.quietDb(), only(heard.hasLate(), m.clearDb()), m.safeDb())));
    SetUp setUp = found.room().setUp();
    if (setUp.talkers().size() + setUp.microphones().size() > 2) {
      out.object("pair")
          .put("voice", setUp.voice().orElseThrow().name())
          .put("microphone", setUp.listener().orElseThrow().name());
      out.put("worse", found.worse().map(PredictJson::worse));
    }
    if (why) {
      out.put("why", found.ladder().whys());
    }
    return out.put("warnings", warnings(found));
  }

  private static Three three(
      Verdicts v, Heard heard, java.util.function.ToDoubleFunction<Margin> figure) {
    return new Three(
        figure.applyAsDouble(v.quiet()),
        only(heard.hasLate(), figure.applyAsDouble(v.clear())),
        figure.applyAsDouble(v.safe()));
  }

  private static JsonOut worse(Pair pair) {
    return new JsonOut()
        .put("voice", pair.voice())
        .put("microphone", pair.microphone())
        .put("weakest", Figures.word(pair.verdicts().weakest().kind()))
        .put("overDb", pair.overDb())
        .put("verdict", pair.verdicts().weakest().verdict().id());
  }

  private static JsonOut basis(Heard heard) {
    Basis basis = heard.basis();
    return new JsonOut()
        .put("decay", heard.hasLate() ? word(basis.decay()) : "none")
        .put("noise", word(basis.noise().origin()))
        .put("voice", word(basis.voice().origin()))
        .put("scale", basis.scale().map(s -> word(s.origin())).orElse("none"));
  }

  /** What was heard of an acted room is measured, too; a warning says which it was. */
  private static String word(Origin origin) {
    return origin.kind() == Origin.Kind.SIMULATED
        ? Origin.Kind.MEASURED.label()
        : origin.kind().label();
  }

  static List<String> warnings(Prediction found) {
    Heard heard = found.heard();
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
    found
        .traced()
        .map(RoomResponse::standardErrorDb)
        .filter(error -> error > RoomResponse.ENOUGH_ERROR_DB)
        .ifPresent(error ->
            warnings.add(
                Figures.say(
                    "The late level is known to %.1f dB only: this room takes more rays than can be waited for.",
                    error)));
    if (found.room().noiseDbSpl().isEmpty()
        && heard.basis().noise().origin().kind() == Origin.Kind.ASSUMED) {
      warnings.add("No room noise is given; a quiet bedroom of about 25 dBA is assumed.");
    }
    if (found.arrivals().directBlocked()) {
      warnings.add(
          "Something stands between the talker and the microphone: there is no direct sound, and levels of reflections refer to what it would be.");
    }
    for (Origin origin :
        List.of(
            heard.basis().decay(), heard.basis().noise().origin(), heard.basis().peak().origin())) {
      if (origin.kind() == Origin.Kind.SIMULATED) {
        warnings.add("Not a real room: " + origin.from() + ".");
      }
    }
    return warnings.stream().distinct().toList();
  }

  private static OptionalDouble only(boolean known, double figure) {
    return known ? OptionalDouble.of(figure) : OptionalDouble.empty();
  }

  private static Reflection reflection(Prediction found, RoomResponse.Arrival arrival) {
    RoomResponse response = found.arrivals();
    double direct = response.directSeconds();
    return new Reflection(
        arrival.seconds() - direct,
        arrival.metres() * (1 - direct / arrival.seconds()),
        Decibels.ofEnergy(
            arrival.energy().get(Octave.HZ_1000) / response.directEnergy().get(Octave.HZ_1000)),
        arrival.surfaces());
  }

  private static ModeOut mode(Mode m) {
    return new ModeOut(m.frequencyHz(), List.of(m.nx(), m.ny(), m.nz()), m.kind());
  }

  private static JsonOut band(Prediction found, int i) {
    Room room = found.room();
    Statistics s = found.statistics();
    Heard heard = found.heard();
    boolean heardDirect = !found.arrivals().directBlocked();
    JsonOut out = new JsonOut();
    out.put("centreHz", Octave.nominalHz(i))
        .put("absorptionAreaSquareMetres", s.absorptionArea().get(i))
        .put("meanAbsorption", s.absorptionArea().get(i) / s.surface())
        .put("airAttenuationDbPerKm", 1000 * room.air().attenuationDbPerMetre(Octave.exactHz(i)));
    for (Statistics.Formula formula : Statistics.Formula.values()) {
      out.put(formula.id() + "Seconds", s.seconds(formula).map(t -> t.get(i)).orElse(null));
    }
    return out.put("statisticsSeconds", s.seconds().get(i))
        .put("t20Seconds", found.t20Seconds(i))
        .put("edtSeconds", found.edtSeconds(i))
        .put("criticalDistanceMetres", s.criticalDistance(room, i))
        .put("directDbSpl", only(heardDirect, heard.directDbSpl().get(i)))
        .put("earlyDbSpl", only(heard.hasReply(i), heard.earlyDbSpl().get(i)))
        .put("lateDbSpl", only(heard.hasLate(i), heard.lateDbSpl().get(i)))
        .put("c50Db", only(heard.hasLate(i), heard.c50Db().get(i)))
        .put(
            "directToReverberantDb",
            only(heardDirect && heard.hasReply(i), heard.directToReverberantDb().get(i)))
        .put("roomNoiseDbSpl", heard.roomNoiseDbSpl().get(i))
        .put("selfNoiseDbSpl", heard.selfNoiseDbSpl().get(i))
        .put("preampNoiseDbSpl", heard.preampNoiseDbSpl().get(i));
  }
}
