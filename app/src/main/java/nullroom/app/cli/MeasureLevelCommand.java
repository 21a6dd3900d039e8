package nullroom.app.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.Brief;
import nullroom.core.book.Goal;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.clip.AlteredTake;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.take.Loudness;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.measure.take.WrittenAs;
import nullroom.core.plan.TakeCheck;
import nullroom.core.plan.TakeChecks;
import nullroom.core.plan.WholeTakeChecks;
import nullroom.core.signal.Mixed;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "level",
    mixinStandardHelpOptions = true,
    description = "peaks, loudness, active speech level, noise floor and faults of a take")
final class MeasureLevelCommand implements Callable<Integer> {
  @Spec CommandSpec command = CommandSpec.create();
  @Mixin GoalOption goal = new GoalOption();
  @Mixin MeasureCommand.OneFile input = new MeasureCommand.OneFile();

  @Option(
      names = "--peak-target",
      paramLabel = "DBFS",
      defaultValue = "-12",
      description = "default ${DEFAULT-VALUE}")
  double peakTarget;

  @Option(
      names = "--deliver",
      paramLabel = "NAME",
      description = "hold it against a brief: stream-14, podcast-16, broadcast-23, audiobook, ...")
  Optional<String> deliver = Optional.empty();

  @Override
  public Integer call() {
    Optional<Brief> brief = deliver.map(MeasureLevelCommand::brief);
    TakeReport report;
    List<String> warnings;
    OptionalInt bits;
    WrittenAs written;
    try (SoundFile sound = SoundFile.open(input.file)) {
      input.checkChannel(input.file, sound);
      report = AlteredTake.measure(sound, Progress.NONE);
      warnings = new ArrayList<>(sound.warnings());
      bits = sound.bitDepth();
      written = sound.writtenAs();
    }
    TakeChannel top = report.channels().get(input.channel);
    warnings.addAll(warnings(report, top));
    warnings.addAll(Alteration.warnings(top.altered(), Alteration.Measured.LEVEL));
    List<TakeCheck> verdicts =
        Stream.concat(
                TakeChecks.of(report, input.channel, asked(report, brief), peakTarget, brief)
                    .stream(),
                top.peak() == 0 ? Stream.of() : whole(report, written, brief))
            .toList();
    if (input.json) {
      JsonOut out = new JsonOut();
      out.put("durationSeconds", report.seconds());
      out.put("sampleRateHz", report.sampleRateHz());
      out.put(
          "bitDepth",
          bits.isPresent() ? OptionalDouble.of(bits.getAsInt()) : OptionalDouble.empty());
      out.put("written", written(written, report));
      out.all(figures(top, report.loudness(), report.truePeak(), verdicts));
      out.put(
          "channels",
          report.channels().size() > 1
              ? report.channels().stream().map(c -> channel(c, brief)).toList()
              : List.of());
      out.put("warnings", warnings);
      out.print();
    } else {
      print(top, report, verdicts);
      TakeChecks.ofOthers(report, input.channel, peakTarget).forEach(MeasureLevelCommand::print);
      warnings.forEach(w -> System.out.println("note: " + w));
    }
    return 0;
  }

  private JsonOut channel(TakeChannel c, Optional<Brief> brief) {
    return figures(
        c, c.loudness(), c.truePeak(), TakeChecks.of(c, c.loudness(), peakTarget, brief));
  }

  /** What would be handed over for a brief: the take, or all its channels made one. */
  private TakeReport asked(TakeReport report, Optional<Brief> brief) {
    if (brief.filter(Brief::mono).isEmpty() || report.channels().size() == 1) {
      return report;
    }
    try (SoundFile again = SoundFile.open(input.file)) {
      return AlteredTake.measure(new Mixed(again, report.monoShares()), Progress.NONE);
    }
  }

  /** The take as a whole, and its room by the ends of words. */
  private Stream<TakeCheck> whole(TakeReport report, WrittenAs written, Optional<Brief> brief) {
    Samples part =
        SoundFile.readStretch(input.file, input.channel, 0, WholeTakeChecks.DECAY_SECONDS);
    return Stream.concat(
        Stream.concat(
            WholeTakeChecks.of(report, brief).stream(),
            Stream.of(WholeTakeChecks.written(written, report))),
        WholeTakeChecks.reverberation(
            BlindDecay.of(part),
            goal.asked(command).orElse(Goal.SPOKEN_ON_CAMERA).longestSeconds(),
            report.channels().get(input.channel))
            .stream());
  }

  private static Brief brief(String name) {
    return Brief.find(name)
        .orElseThrow(() ->
            new Trouble.BadField(
                "--deliver",
                "'"
                    + name
                    + "' is none of "
                    + Brief.all().stream().map(Brief::id).collect(Collectors.joining(", "))));
  }

  private static List<String> warnings(TakeReport report, TakeChannel top) {
    List<String> warnings = new ArrayList<>();
    if (top.peak() == 0) {
      warnings.add("The file holds digital silence; is the microphone muted?");
    } else if (report.seconds() < NoiseMeter.SHORTEST_SECONDS) {
      warnings.add("The sound is shorter than 0.4 s; its average says little about a take.");
    } else {
      if (!top.pauses()) {
        warnings.add(
            "No pause was found: with music or steady noise under the voice, or none speaking, active speech level says little; the noise floor is that of the quietest tenth, and speech to noise is left out.");
      }
      if (top.music()) {
        warnings.add(
            "There is music in the pauses: active speech level and the noise floor are those of both together, and speech to noise is left out.");
      }
      if (report.loudness().maxShortTermLufs().isEmpty()) {
        warnings.add("The sound is shorter than 3 s: it has no short-term loudness and no range.");
      }
    }
    return warnings;
  }

  private JsonOut figures(
      TakeChannel take, Loudness loudness, double truePeak, List<TakeCheck> verdicts) {
    JsonOut out = new JsonOut();
    out.put("peakDbfs", decibels(Decibels.ofAmplitude(take.peak())));
    out.put("truePeakDbtp", decibels(Decibels.ofAmplitude(truePeak)));
    out.put("rmsDbfs", decibels(Decibels.dbfs(take.meanSquare())));
    out.put(
        "crestFactorDb",
        decibels(Decibels.ofEnergy(take.peak() * take.peak() / take.meanSquare())));
    out.put("integratedLufs", loudness.integratedLufs());
    out.put("loudnessRangeLu", loudness.rangeLu());
    out.put("maxMomentaryLufs", loudness.maxMomentaryLufs());
    out.put("maxShortTermLufs", loudness.maxShortTermLufs());
    out.put("activeSpeechDbfs", take.activeSpeechDbfs());
    out.put("activityPercent", take.activityPercent());
    out.put("noiseFloorDbfs", take.noiseFloorDbfs());
    out.put("noiseFloorDbfsA", take.noiseFloorDbfsA());
    out.put("speechToNoiseDb", take.speechToNoiseDb());
    out.put("clippedSamples", take.clippedSamples());
    out.put("clippedRuns", take.clippedRuns());
    out.put("dcOffset", take.dcOffset());
    if (take.mains().isPresent()) {
      NoiseOut.mains(out.object("mains"), take.mains().get());
    } else {
      out.put("mains", null);
    }
    out.put("gainChangeDb", decibels(peakTarget - Decibels.ofAmplitude(take.peak())));
    out.put("verdicts", verdicts.stream().map(MeasureLevelCommand::json).toList());
    out.put("altered", AlteredOut.json(take.altered()));
    return out;
  }

  private static JsonOut written(WrittenAs written, TakeReport report) {
    return new JsonOut()
        .put("coder", written.coder())
        .put(
            "bitRateKbps",
            written.bitRate().isPresent()
                ? OptionalDouble.of(written.bitRate().getAsDouble() / 1000)
                : OptionalDouble.empty())
        .put("started", written.started().isEmpty() ? null : written.started())
        .put("channelsAlike", report.alike());
  }

  private static OptionalDouble decibels(double level) {
    return Double.isFinite(level) ? OptionalDouble.of(level) : OptionalDouble.empty();
  }

  private static JsonOut json(TakeCheck verdict) {
    JsonOut out = new JsonOut();
    out.put("check", verdict.check());
    out.put("pass", verdict.pass());
    out.put("measured", decibels(verdict.measured()));
    out.put("limit", verdict.limit());
    out.put("advice", verdict.advice());
    return out;
  }

  private void print(TakeChannel take, TakeReport report, List<TakeCheck> verdicts) {
    System.out.printf(Locale.ROOT, "%.2f s%n", report.seconds());
    if (take.peak() > 0) {
      line("peak", OptionalDouble.of(Decibels.ofAmplitude(take.peak())), "dBFS");
      line("true peak", OptionalDouble.of(Decibels.ofAmplitude(report.truePeak())), "dBTP");
      line("RMS", OptionalDouble.of(Decibels.dbfs(take.meanSquare())), "dBFS");
      line("loudness", report.loudness().integratedLufs(), "LUFS");
      line("range", report.loudness().rangeLu(), "LU");
      line("speech", take.activeSpeechDbfs(), "dBFS while it is active");
      line("noise floor", take.noiseFloorDbfs(), "dBFS");
    }
    verdicts.forEach(MeasureLevelCommand::print);
  }

  private static void print(TakeCheck check) {
    System.out.printf(
        Locale.ROOT,
        "%-5s %-15s %s%n",
        check.outcome().name().toLowerCase(Locale.ROOT),
        check.check(),
        check.advice());
  }

  private static void line(String name, OptionalDouble figure, String unit) {
    if (figure.isPresent()) {
      System.out.printf(Locale.ROOT, "%-11s%8.1f %s%n", name, figure.getAsDouble(), unit);
    }
  }
}
