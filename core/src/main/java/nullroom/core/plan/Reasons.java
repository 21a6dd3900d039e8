package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import nullroom.core.Figures;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Origin;

/** Where each rung and margin of a ladder comes from. */
final class Reasons {
  private static final Origin SETTING = Origin.assumed("as you set it");
  private static final Origin DEFINITION = Origin.predicted("by definition");

  private final Heard heard;
  private final Margins targets;
  private final Basis basis;
  private final Capture capture;

  Reasons(Heard heard, Margins targets) {
    this.heard = heard;
    this.targets = targets;
    basis = heard.basis();
    capture = heard.capture();
  }

  /** A noise, and what its reason is made of. */
  record Noise(
      String label,
      double dbSplA,
      String formula,
      String source,
      Origin origin,
      double uncertaintyDb,
      String mostly) {
    Why why() {
      return new Why(
          label,
          dba(dbSplA),
          formula,
          source,
          List.of(new Input("level", dba(dbSplA), origin)),
          uncertaintyDb > 0 ? OptionalDouble.of(uncertaintyDb) : OptionalDouble.empty(),
          mostly);
    }
  }

  private static String spl(double db) {
    return Figures.say("%.1f dB SPL", db);
  }

  private static String dba(double db) {
    return Figures.say("%.1f dBA", db);
  }

  private static String db(double db) {
    return Figures.say("%.1f dB", db);
  }

  private static Why sure(
      String of, String figure, String formula, String source, Input input, String mostly) {
    return new Why(of, figure, formula, source, List.of(input), OptionalDouble.empty(), mostly);
  }

  private Input chain(String name, String figure) {
    return new Input(name, figure, basis.chain().origin());
  }

  private Input distance() {
    return new Input(
        "distance",
        Figures.say("%.2f m", heard.distanceMetres()),
        Origin.assumed("as the room’s description places lips and microphone"));
  }

  Why fullScale() {
    return new Why(
        "full scale",
        spl(capture.fullScaleDbSpl()) + " at the microphone",
        "Digital full scale: a sine of this level just fits; sensitivity and gain taken from the"
            + " converter’s full scale.",
        "AES17",
        fullScaleInputs(),
        OptionalDouble.of(basis.chain().uncertaintyDb()),
        "the gain");
  }

  private List<Input> fullScaleInputs() {
    List<Input> inputs = new ArrayList<>();
    inputs.add(
        capture.preamp()
            ? chain("sensitivity", Figures.say("%.1f dBV/Pa", capture.sensitivityDbvPerPascal()))
            : chain("digits at 94 dB SPL", Figures.say("%.1f dBFS", capture.dbfsAt94DbSpl())));
    capture
        .stages()
        .forEach(s -> inputs.add(chain("“" + s.name() + "”", Figures.say("%+.0f dB", s.gainDb()))));
    inputs.add(new Input("gain", Figures.say("%.0f dB", capture.gainDb()), SETTING));
    return inputs;
  }

  Why capsule() {
    return sure(
        "capsule limit",
        spl(capture.maxDbSpl()),
        "Highest level of a sine that the microphone takes.",
        "the microphone’s data sheet",
        new Input("highest level", spl(capture.maxDbSpl()), basis.chain().origin()),
        "another microphone");
  }

  /** Of the stage that overloads before the microphone does; empty where none does. */
  Optional<Why> stageLimit() {
    return ChainLink.firstToOverload(capture)
        .map(l ->
            sure(
                "limit of “" + l.name() + "”",
                spl(l.limitDbSpl()),
                "Level of a sine at the microphone that overloads this stage: its limit less the"
                    + " gain before it.",
                "the data sheet of what lies between microphone and input",
                new Input("highest level", spl(l.limitDbSpl()), basis.chain().origin()),
                "less gain before it"));
  }

  Why peak() {
    return new Why(
        "loudest peak",
        spl(heard.peakDbSpl()),
        "The loudest expected sample peak: as your loudest line was heard, else the voice’s active"
            + " level plus what its loudest syllables pass it by.",
        "common practice",
        List.of(
            new Input("loudest peak", spl(heard.peakDbSpl()), basis.peak().origin()),
            voiceInput(),
            distance()),
        OptionalDouble.of(basis.peak().uncertaintyDb()),
        "how loud you speak, and the distance");
  }

  Why target() {
    return sure(
        "peak target",
        Figures.say("%.0f dBFS", -targets.safeDb()),
        "Where the loudest peak should come.",
        "common practice",
        new Input(
            "target", Figures.say("%.0f dBFS", -targets.safeDb()), Origin.assumed("by the goal")),
        "another goal");
  }

  private Input voiceInput() {
    return new Input(
        "active speech", spl(heard.activeSpeechDbSpl()) + " unweighted", basis.voice().origin());
  }

  Why voice() {
    return new Why(
        "voice",
        dba(heard.voiceDbSplA()),
        "Active speech level, direct and early sound, A-weighted: the voice at 1 m by 1/r, mouth and"
            + " pattern, and the first 50 ms of the room.",
        "ANSI S3.5, ISO 9921, ITU-T P.56",
        List.of(
            new Input(
                "direct sound",
                dba(Octave.aWeightedSum(heard.directDbSpl())),
                basis.voice().origin()),
            new Input(
                "early sound",
                dba(Octave.aWeightedSum(heard.earlyDbSpl())),
                basis.reply().origin()),
            distance()),
        OptionalDouble.of(basis.voice().uncertaintyDb()),
        "how loud you speak, and the distance");
  }

  Why late() {
    return new Why(
        "late room",
        dba(heard.voiceDbSplA() - heard.margins().clearDb()),
        "What the room sends back after 50 ms: the voice less Clear.",
        "ISO 3382-1, C50",
        List.of(
            new Input("reverberation", times(), basis.decay()),
            new Input("Clear", db(heard.margins().clearDb()), basis.reply().origin())),
        OptionalDouble.of(Verdicts.of(heard, targets).clear().uncertaintyDb()),
        "soft things in the room, and the distance");
  }

  private String times() {
    double mid =
        (heard.decaySeconds().get(Octave.HZ_500) + heard.decaySeconds().get(Octave.HZ_1000)) / 2;
    return Figures.say("%.2f s at 500 and 1000 Hz", mid);
  }

  List<Noise> noises() {
    List<Noise> all = new ArrayList<>();
    double room = Octave.aWeightedSum(heard.roomNoiseDbSpl());
    double scale = basis.scale().map(Basis.Term::uncertaintyDb).orElse(0.0);
    double uncertainty =
        Math.hypot(Math.hypot(basis.noise().uncertaintyDb(), scale), basis.deviceDb());
    all.add(
        new Noise(
            "room noise",
            room,
            "The room’s noise through the microphone’s pattern, A-weighted.",
            "IEC 61672-1",
            basis.noise().origin(),
            uncertainty,
            "a quieter hour, or what makes the noise switched off"));
    for (Heard.SourceNoise source : heard.sources()) {
      all.add(
          new Noise(
              source.name(),
              Octave.aWeightedSum(source.levelDbSpl()),
              "From its own level at 1 m, by 1/r, the room’s answer and the microphone’s pattern,"
                  + " A-weighted.",
              "ISO 3382-2; diffuse field 4/A",
              Origin.predicted("from where it stands and how loud it is at 1 m"),
              uncertainty,
              "switching it off, or moving away from it"));
    }
    all.add(
        new Noise(
            "mic self-noise",
            capture.selfNoiseDbA(),
            "Equivalent noise level of the microphone, A-weighted.",
            "IEC 60268-4",
            Origin.assumed("by the microphone’s data"),
            Basis.OWN_NOISE_DB,
            "another microphone"));
    all.add(
        new Noise(
            "preamp hiss",
            capture.preampNoiseDbA(),
            capture.stages().isEmpty()
                ? "Equivalent input noise less the microphone’s sensitivity, as sound at the microphone."
                : "Equivalent input noise of each stage less the gain before it, summed, as sound at the"
                    + " microphone.",
            capture.stages().isEmpty() ? "AES17" : "H. T. Friis, Proc. IRE 32 (1944) 419",
            Origin.assumed("by the input’s data"),
            Basis.OWN_NOISE_DB,
            "a more sensitive microphone, or a quieter input"));
    all.add(
        new Noise(
            "converter",
            capture.converterNoiseDbA(),
            "Rounding to " + capture.bits() + " bits with triangular dither, A-weighted.",
            "q²/12 and three times that with dither (S. P. Lipshitz et al., J. Audio Eng. Soc. 40"
                + " (1992) 355)",
            DEFINITION,
            0,
            "longer words, or more gain"));
    return all;
  }

  Why margin(Margin margin) {
    return new Why(
        margin.name(),
        db(margin.db())
            + Figures.say(" for a target of %.0f: ", margin.targetDb())
            + margin.verdict().label(),
        switch (margin.kind()) {
          case QUIET -> "Voice less all noise, both A-weighted.";
          case CLEAR ->
              "Direct and early sound over what comes after 50 ms (C50), octaves from 250 Hz to"
                  + " 8 kHz weighted by the voice’s energy in them.";
          case SAFE -> "The first thing that overloads less the loudest expected peak.";
        },
        switch (margin.kind()) {
          case QUIET -> "IEC 61672-1; target by common practice";
          case CLEAR -> "ISO 3382-1, C50; target by common practice";
          case SAFE -> "AES17; target by common practice";
        },
        inputs(margin.kind()),
        OptionalDouble.of(margin.uncertaintyDb()),
        mostly(margin));
  }

  private List<Input> inputs(Margins.Kind kind) {
    Input voice = new Input("voice", dba(heard.voiceDbSplA()), basis.voice().origin());
    return switch (kind) {
      case QUIET -> {
        List<Input> inputs = new ArrayList<>(List.of(voice));
        noises().forEach(n -> inputs.add(new Input(n.label(), dba(n.dbSplA()), n.origin())));
        yield inputs;
      }
      case CLEAR ->
          List.of(
              new Input("reverberation", times(), basis.decay()),
              new Input(
                  "early and late sound", db(heard.margins().clearDb()), basis.reply().origin()),
              distance());
      case SAFE ->
          List.of(
              new Input("loudest peak", spl(heard.peakDbSpl()), basis.peak().origin()),
              chain("overload", spl(capture.overloadDbSpl())));
    };
  }

  /** What moves the figure most, then what makes it surer. */
  private static String mostly(Margin margin) {
    String lever =
        switch (margin.kind()) {
          case QUIET -> "the microphone nearer, or less noise";
          case CLEAR -> "the microphone nearer, or soft things in the room";
          case SAFE -> "the gain";
        };
    String doubts =
        margin.doubts().stream()
            .filter(d -> d.db() > 0.05)
            .sorted((a, b) -> Double.compare(b.db(), a.db()))
            .limit(2)
            .map(d -> Figures.say("%s (%.1f dB): %s", d.term(), d.db(), d.remedy()))
            .collect(Collectors.joining("; "));
    return doubts.isEmpty() ? lever : lever + "; least sure is " + doubts;
  }
}
