package nullroom.app.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.measure.clip.AlteredSound;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.io.audio.SoundFile;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "noise", mixinStandardHelpOptions = true, description = "room noise of a recording")
final class MeasureNoiseCommand implements Callable<Integer> {
  @Mixin MeasureCommand.Input input = new MeasureCommand.Input();

  @Parameters(
      arity = "1..*",
      paramLabel = "FILE",
      description = MeasureCommand.FILES + "; several are measured one after the other")
  List<Path> files = List.of();

  @Option(
      names = "--full-scale-spl",
      paramLabel = "DB",
      description = "dB SPL, RMS of a sine, that reaches full scale")
  @Nullable Double fullScaleSpl;

  @Option(
      names = "--cal-file",
      paramLabel = "FILE",
      description = "recording of a calibrator tone with the same gain")
  @Nullable Path calibration;

  @Option(
      names = "--cal-level",
      paramLabel = "DB",
      defaultValue = "94",
      description = "its level, default ${DEFAULT-VALUE}")
  double calibrationLevel;

  @Option(
      names = "--uncertainty",
      paramLabel = "DB",
      description = "give or take of the calibration; 1 dB with --cal-file, else not known")
  @Nullable Double uncertainty;

  /** One block of the finest spectrum at most. */
  private static final double SHORTEST_FOR_TONES_SECONDS = 1.2;

  /** One file, measured. */
  private record Measured(
      Path file,
      List<NoiseReport> channels,
      List<List<Alteration>> altered,
      List<String> warnings) {}

  @Override
  public Integer call() {
    OptionalDouble fullScale = fullScale();
    if (files.size() == 1) {
      Measured only = measure(files.getFirst(), fullScale);
      if (input.json) {
        json(only, fullScale).print();
      } else {
        print(only, fullScale);
      }
      return 0;
    }
    List<JsonOut> all = new ArrayList<>();
    int failed = 0;
    for (Path file : files) {
      JsonOut out = new JsonOut();
      out.put("file", file.toString());
      try {
        Measured one = measure(file, fullScale);
        out.all(json(one, fullScale));
        if (!input.json) {
          System.out.println(file);
          print(one, fullScale);
          System.out.println();
        }
      } catch (Trouble e) {
        failed++;
        out.put("error", e.line());
        System.err.println("nullroom: " + e.line());
      }
      all.add(out);
    }
    if (input.json) {
      JsonOut out = new JsonOut();
      out.put("files", all);
      out.put(
          "warnings",
          failed == 0 ? List.of() : List.of(failed + " of the files could not be measured."));
      out.print();
    }
    return failed == 0 ? 0 : 1;
  }

  /** Give or take, where the user or the way of calibrating says it. */
  private OptionalDouble uncertainty() {
    if (uncertainty != null) {
      return OptionalDouble.of(uncertainty);
    }
    return fullScaleSpl == null && calibration != null
        ? OptionalDouble.of(Calibration.TONE_UNCERTAINTY_DB)
        : OptionalDouble.empty();
  }

  private Measured measure(Path file, OptionalDouble fullScale) {
    try (SoundFile sound = SoundFile.open(file)) {
      input.checkChannel(file, sound);
      List<AlteredSound> beside = AlteredSound.of(sound);
      List<NoiseReport> channels =
          NoiseMeter.measure(AlterationMeter.beside(sound, beside), Progress.NONE);
      List<String> warnings = new ArrayList<>(sound.warnings());
      warnings.addAll(warnings(channels.get(input.channel), fullScale));
      List<List<Alteration>> altered = beside.stream().map(AlteredSound::found).toList();
      warnings.addAll(Alteration.warnings(altered.get(input.channel), Alteration.Measured.NOISE));
      return new Measured(file, channels, altered, warnings);
    }
  }

  private JsonOut json(Measured m, OptionalDouble fullScale) {
    JsonOut out = channel(m, input.channel, fullScale);
    out.put(
        "channels",
        m.channels().size() > 1
            ? IntStream.range(0, m.channels().size())
                .mapToObj(c -> channel(m, c, fullScale))
                .toList()
            : List.of());
    out.put("uncertaintyDb", fullScale.isPresent() ? uncertainty() : OptionalDouble.empty());
    out.put("warnings", m.warnings());
    return out;
  }

  private static JsonOut channel(Measured m, int channel, OptionalDouble fullScale) {
    return NoiseOut.json(m.channels().get(channel), fullScale)
        .put("altered", AlteredOut.json(m.altered().get(channel)));
  }

  private void print(Measured m, OptionalDouble fullScale) {
    NoiseOut.print(m.channels().get(input.channel), fullScale);
    if (fullScale.isPresent() && uncertainty().isPresent()) {
      System.out.printf(
          Locale.ROOT, "all dB SPL give or take %.1f dB%n", uncertainty().getAsDouble());
    }
    m.warnings().forEach(w -> System.out.println("note: " + w));
  }

  private OptionalDouble fullScale() {
    if (fullScaleSpl != null) {
      return OptionalDouble.of(fullScaleSpl);
    }
    if (calibration == null) {
      return OptionalDouble.empty();
    }
    Path file = calibration;
    try (SoundFile tone = SoundFile.open(file)) {
      return OptionalDouble.of(
          Calibration.fullScaleOfTone(
              calibrationLevel, NoiseMeter.measure(tone, Progress.NONE).getFirst()));
    } catch (Trouble.BadSound e) {
      throw new Trouble.BadSound(file.toString(), String.valueOf(e.getMessage()));
    }
  }

  private static List<String> warnings(NoiseReport report, OptionalDouble fullScale) {
    List<String> warnings = new ArrayList<>();
    if (report.laeqDbfs().isEmpty()) {
      warnings.add(
          report.seconds() < NoiseMeter.SHORTEST_SECONDS
              ? "The sound is shorter than 0.4 s; record ten seconds or more."
              : "The file holds digital silence; is the microphone muted?");
    }
    if (fullScale.isEmpty()) {
      warnings.add(
          "Not calibrated: levels are relative to full scale; SPL, NC and NR need --full-scale-spl or --cal-file.");
    }
    if (report.clippedSamples() > 0) {
      warnings.add(report.clippedSamples() + " samples are clipped; the levels read too low.");
    }
    if (report.laeqDbfs().isPresent() && report.seconds() < SHORTEST_FOR_TONES_SECONDS) {
      warnings.add("Tones and hum are looked for in sound of 1.2 s and more.");
    }
    return warnings;
  }
}
