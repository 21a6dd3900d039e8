package nullroom.app.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import nullroom.core.Figures;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.decay.AlteredDecay;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.decay.Excitation;
import nullroom.core.signal.Band;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sweep;
import nullroom.io.audio.SoundFile;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(
    name = "decay",
    mixinStandardHelpOptions = true,
    description = "reverberation from claps or pops, a swept sine, or switched-off noise")
final class MeasureDecayCommand implements Callable<Integer> {
  /** Metres a second at 20 degrees, by which delays are told as lengths. */
  private static final double SPEED_OF_SOUND = 343;

  @Mixin MeasureCommand.OneFile input = new MeasureCommand.OneFile();

  @Option(
      names = "--excitation",
      defaultValue = "auto",
      description = "auto, impulse, sweep or noise; default ${DEFAULT-VALUE}")
  String excitation = "auto";

  @Option(
      names = "--bands",
      defaultValue = "octave",
      description = "octave or third, default ${DEFAULT-VALUE}")
  String bands = "octave";

  @Option(names = "--sweep-from", description = "hertz at the sweep's start, default 20")
  @Nullable Double from;

  @Option(names = "--sweep-to", description = "hertz at the sweep's end, default 20000")
  @Nullable Double to;

  @Option(names = "--sweep-seconds", description = "length of the sweep, default 10")
  @Nullable Double seconds;

  @Option(
      names = "--reference",
      paramLabel = "FILE",
      description = "the signal that was played; implies a sweep")
  @Nullable Path reference;

  @Override
  public Integer call() {
    if (!bands.equals("octave") && !bands.equals("third")) {
      throw new Trouble.BadField("--bands", "must be octave or third, not " + bands);
    }
    List<Band> wanted = bands.equals("octave") ? Octave.ALL : Band.DECAY_THIRDS;
    Optional<Excitation> asked = asked();
    Optional<Sweep> sweep =
        from == null && to == null && seconds == null
            ? Optional.empty()
            : Optional.of(SweepCommand.sweep(from, to, seconds, "--sweep-"));
    Samples sound;
    List<String> warnings;
    try (SoundFile file = SoundFile.open(input.file)) {
      input.checkChannel(input.file, file);
      sound = file.channel(input.channel);
      warnings = new ArrayList<>(file.warnings());
      if (file.channels() > 1 && Arrays.stream(sound.toArray()).allMatch(v -> v == 0)) {
        warnings.add(
            "Channel "
                + input.channel
                + " of "
                + file.channels()
                + " is silent; another may hold the sound: choose it with --channel.");
      }
    }
    Optional<Samples> played = Optional.ofNullable(reference).map(f -> SoundFile.readChannel(f, 0));
    DecayReport report =
        DecayAnalysis.analyse(sound, new DecayAnalysis.Request(asked, sweep, played, wanted));
    warnings.addAll(report.warnings());
    report.ringing().forEach(one -> warnings.add(rings(one)));
    if (report.takes() == 0 && asked.isEmpty()) {
      BlindDecay.of(sound).ifPresent(guess -> warnings.add(offer(guess)));
    }
    List<Alteration> altered =
        AlteredDecay.of(report, sound).stream().filter(a -> !endsWithTheSweep(a, report)).toList();
    warnings.addAll(Alteration.warnings(altered, Alteration.Measured.DECAY));
    AlteredDecay.unseen(report, altered).ifPresent(warnings::add);
    if (input.json) {
      json(report, altered, warnings).print();
    } else {
      print(report);
      warnings.forEach(w -> System.out.println("note: " + w));
    }
    return 0;
  }

  /** A sweep sounds no further than it goes. */
  private static boolean endsWithTheSweep(Alteration a, DecayReport report) {
    return a.kind() == Alteration.Kind.BAND_LIMIT
        && report.excitation().filter(Excitation.SWEEP::equals).isPresent();
  }

  private static String rings(DecayReport.Ringing one) {
    return Figures.say(
        "%.0f Hz rings on for %.2f s, longer than what is around it: a mode of the room.",
        one.frequencyHz(), one.seconds());
  }

  private static String offer(BlindDecay guess) {
    return Figures.say(
        "From %d ends of words the room's mid-frequency time is about %.2f s, give or take %.2f s: an estimate, no measurement.",
        guess.decays(), guess.midSeconds(), guess.midSpreadSeconds());
  }

  private Optional<Excitation> asked() {
    if (reference != null && !excitation.equals("auto") && !excitation.equals("sweep")) {
      throw new Trouble.BadField(
          "--reference", "goes with a sweep, not with --excitation " + excitation);
    }
    if (reference != null || from != null || to != null || seconds != null) {
      return Optional.of(Excitation.SWEEP);
    }
    return excitation.equals("auto")
        ? Optional.empty()
        : Optional.of(
            Keyed.find(Excitation.class, excitation)
                .orElseThrow(() ->
                    new Trouble.BadField(
                        "--excitation",
                        "must be auto, impulse, sweep or noise, not " + excitation)));
  }

  private static JsonOut json(DecayReport r, List<Alteration> altered, List<String> warnings) {
    JsonOut out = new JsonOut();
    out.put("excitation", r.excitation().map(Excitation::id).orElse(null));
    out.put("sampleRateHz", r.sampleRateHz());
    out.put("directArrivalSeconds", r.directArrivalSeconds());
    out.put("bands", r.bands().stream().map(MeasureDecayCommand::band).toList());
    out.put("tMidSeconds", r.tMidSeconds());
    out.put("tMidFrom", r.tMidSeconds().isPresent() ? "t20" : null);
    out.put("tVoiceSeconds", r.tVoiceSeconds());
    out.put("sti", r.speechTransmission());
    out.put("directToReverberantDb", r.directToReverberantDb());
    out.put(
        "reflections",
        r.reflections().stream()
            .map(one -> {
              JsonOut each = new JsonOut();
              each.put("delaySeconds", one.delaySeconds());
              each.put("extraPathMetres", one.extraPathMetres(SPEED_OF_SOUND));
              each.put("levelDb", one.levelDb());
              return each;
            })
            .toList());
    if (r.flutter().isPresent()) {
      JsonOut flutter = out.object("flutter");
      double period = r.flutter().get().periodSeconds();
      flutter.put("periodSeconds", period);
      flutter.put("pathMetres", period * SPEED_OF_SOUND);
      flutter.put("strengthDb", r.flutter().get().strengthDb());
    } else {
      out.put("flutter", null);
    }
    out.put("harmonicDistortionPercent", r.harmonicDistortionPercent());
    out.put("takes", (long) r.takes());
    out.put("altered", AlteredOut.json(altered));
    out.put("warnings", warnings);
    return out;
  }

  private static JsonOut band(DecayReport.BandDecay b) {
    JsonOut out = new JsonOut();
    out.put("centreHz", b.centreHz());
    out.put("edtSeconds", b.edtSeconds());
    out.put("t20Seconds", b.t20Seconds());
    out.put("t30Seconds", b.t30Seconds());
    out.put("c50Db", b.c50Db());
    out.put("c80Db", b.c80Db());
    out.put("d50Percent", b.d50Percent());
    out.put("centreTimeSeconds", b.centreTimeSeconds());
    out.put("inrDb", b.inrDb());
    out.put("nonLinearityPermille", b.nonLinearityPermille());
    out.put("curvaturePercent", b.curvaturePercent());
    return out;
  }

  private static void print(DecayReport r) {
    System.out.printf(
        Locale.ROOT,
        "%s, %d averaged%n",
        r.excitation().map(Excitation::id).orElse("nothing found"),
        r.takes());
    System.out.println("  band     EDT     T20   ±2 sd     T30     C50     INR");
    for (DecayReport.BandDecay b : r.bands()) {
      System.out.printf(
          Locale.ROOT,
          "%6.0f %s %s %s %s %s %s%n",
          b.centreHz(),
          cell(b.edtSeconds(), 2),
          cell(b.t20Seconds(), 2),
          cell(twice(b.t20DeviationSeconds()), 2),
          cell(b.t30Seconds(), 2),
          cell(b.c50Db(), 1),
          cell(b.inrDb(), 0));
    }
    say("mid-frequency reverberation time %.2f s%n", r.tMidSeconds());
    say("speech transmission index %.2f%n", r.speechTransmission());
    say("direct to reverberant %.1f dB%n", r.directToReverberantDb());
    say("harmonic distortion %.2f %%%n", r.harmonicDistortionPercent());
    for (DecayReport.Reflection one : r.reflections()) {
      System.out.printf(
          Locale.ROOT,
          "reflection after %4.1f ms (%.2f m longer) at %.1f dB%n",
          1000 * one.delaySeconds(),
          one.extraPathMetres(SPEED_OF_SOUND),
          one.levelDb());
    }
    r.flutter()
        .ifPresent(f ->
            System.out.printf(
                Locale.ROOT,
                "flutter echo every %.1f ms (a path of %.2f m), %.0f dB strong%n",
                1000 * f.periodSeconds(),
                f.periodSeconds() * SPEED_OF_SOUND,
                f.strengthDb()));
  }

  private static OptionalDouble twice(OptionalDouble figure) {
    return figure.isPresent() ? OptionalDouble.of(2 * figure.getAsDouble()) : figure;
  }

  private static void say(String format, OptionalDouble figure) {
    figure.ifPresent(v -> System.out.printf(Locale.ROOT, format, v));
  }

  private static String cell(OptionalDouble figure, int digits) {
    return figure.isPresent() ? Figures.say("%7." + digits + "f", figure.getAsDouble()) : "      –";
  }
}
