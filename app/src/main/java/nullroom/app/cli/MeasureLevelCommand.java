package nullroom.app.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import nullroom.core.acoustics.Decibels;
import nullroom.core.measure.NoiseMeter;
import nullroom.core.measure.TakeLevel;
import nullroom.io.audio.SoundFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(
    name = "level",
    mixinStandardHelpOptions = true,
    description = "peak, RMS, crest factor, clipping and offset of a take")
final class MeasureLevelCommand implements Callable<Integer> {
  private static final List<String> LATER =
      List.of(
          "truePeakDbtp",
          "integratedLufs",
          "loudnessRangeLu",
          "maxMomentaryLufs",
          "maxShortTermLufs",
          "activeSpeechDbfs",
          "activityPercent",
          "noiseFloorDbfs",
          "noiseFloorDbfsA",
          "speechToNoiseDb");

  /** A constant that is louder than the noise of 16 bit shifts every edit. */
  private static final double LARGEST_OFFSET = 0.001;

  @Mixin MeasureCommand.OneFile input = new MeasureCommand.OneFile();

  @Option(
      names = "--peak-target",
      paramLabel = "DBFS",
      defaultValue = "-12",
      description = "default ${DEFAULT-VALUE}")
  double peakTarget;

  @Override
  public Integer call() {
    List<TakeLevel> channels;
    List<String> warnings;
    double rate;
    OptionalInt bits;
    try (SoundFile sound = SoundFile.open(input.file)) {
      input.checkChannel(input.file, sound);
      channels = TakeLevel.measure(sound);
      warnings = new ArrayList<>(sound.warnings());
      rate = sound.sampleRateHz();
      bits = sound.bitDepth();
    }
    TakeLevel top = channels.get(input.channel);
    double seconds = top.samples() / rate;
    if (top.peak() == 0) {
      warnings.add("The file holds digital silence; is the microphone muted?");
    } else if (seconds < NoiseMeter.SHORTEST_SECONDS) {
      warnings.add("The sound is shorter than 0.4 s; its average says little about a take.");
    }
    if (input.json) {
      JsonOut out = new JsonOut();
      out.put("durationSeconds", seconds);
      out.put("sampleRateHz", rate);
      out.put(
          "bitDepth",
          bits.isPresent() ? OptionalDouble.of(bits.getAsInt()) : OptionalDouble.empty());
      out.all(figures(top));
      out.array(
          "channels",
          channels.size() > 1 ? channels.stream().map(this::figures).toList() : List.of());
      warnings.add(
          "Loudness, true peak, active speech level, noise floor and hum are not measured by this version.");
      out.texts("warnings", warnings);
      out.print();
    } else {
      print(top, seconds);
      warnings.forEach(w -> System.out.println("note: " + w));
    }
    return 0;
  }

  private JsonOut figures(TakeLevel level) {
    JsonOut out = new JsonOut();
    out.put("peakDbfs", decibels(Decibels.ofAmplitude(level.peak())));
    out.put("rmsDbfs", decibels(Decibels.dbfs(level.meanSquare())));
    out.put(
        "crestFactorDb",
        decibels(Decibels.ofEnergy(level.peak() * level.peak() / level.meanSquare())));
    LATER.forEach(out::absent);
    out.put("clippedSamples", level.clippedSamples());
    out.put("clippedRuns", level.clippedRuns());
    out.put("dcOffset", level.dcOffset());
    out.absent("mains");
    out.put("gainChangeDb", decibels(peakTarget - Decibels.ofAmplitude(level.peak())));
    out.array("verdicts", level.peak() == 0 ? List.of() : verdicts(level));
    return out;
  }

  private static OptionalDouble decibels(double level) {
    return Double.isFinite(level) ? OptionalDouble.of(level) : OptionalDouble.empty();
  }

  private List<JsonOut> verdicts(TakeLevel level) {
    double peak = Decibels.ofAmplitude(level.peak());
    return List.of(
        verdict(
            "peak",
            peak <= peakTarget + 3,
            peak,
            peakTarget,
            String.format(Locale.ROOT, "Change the gain by %+.1f dB.", peakTarget - peak)),
        verdict(
            "clipping",
            level.clippedRuns() == 0,
            level.clippedRuns(),
            0,
            level.clippedRuns() == 0
                ? "Nothing is clipped."
                : "Turn the gain down and record again: clipping cannot be mended."),
        verdict(
            "dcOffset",
            Math.abs(level.dcOffset()) <= LARGEST_OFFSET,
            level.dcOffset(),
            LARGEST_OFFSET,
            "An offset clicks at every cut; a high-pass at 20 Hz takes it out."));
  }

  private static JsonOut verdict(
      String check, boolean pass, double measured, double limit, String advice) {
    JsonOut out = new JsonOut();
    out.text("check", check);
    out.put("pass", pass);
    out.put("measured", measured);
    out.put("limit", limit);
    out.text("advice", advice);
    return out;
  }

  private void print(TakeLevel level, double seconds) {
    System.out.printf(Locale.ROOT, "%.2f s%n", seconds);
    if (level.peak() > 0) {
      double peak = Decibels.ofAmplitude(level.peak());
      System.out.printf(Locale.ROOT, "peak       %7.1f dBFS%n", peak);
      System.out.printf(Locale.ROOT, "RMS        %7.1f dBFS%n", Decibels.dbfs(level.meanSquare()));
      System.out.printf(
          Locale.ROOT,
          "gain change%+7.1f dB to peak at %.0f dBFS%n",
          peakTarget - peak,
          peakTarget);
    }
    System.out.printf(
        Locale.ROOT, "clipped runs %d, offset %.5f%n", level.clippedRuns(), level.dcOffset());
  }
}
