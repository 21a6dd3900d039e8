package nullroom.app.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.DecayAnalysis;
import nullroom.core.measure.DecayReport;
import nullroom.core.signal.Band;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(
    name = "decay",
    mixinStandardHelpOptions = true,
    description = "reverberation from claps, pops or an impulse response")
final class MeasureDecayCommand implements Callable<Integer> {
  @Mixin MeasureCommand.OneFile input = new MeasureCommand.OneFile();

  @Option(
      names = "--excitation",
      defaultValue = "auto",
      description = "auto or impulse; sweep and noise come later")
  String excitation = "auto";

  @Option(
      names = "--bands",
      defaultValue = "octave",
      description = "octave or third, default ${DEFAULT-VALUE}")
  String bands = "octave";

  @Override
  public Integer call() {
    if (!excitation.equals("auto") && !excitation.equals("impulse")) {
      throw new Trouble.BadField(
          "--excitation",
          "this version measures claps, pops and impulse responses: auto or impulse");
    }
    if (!bands.equals("octave") && !bands.equals("third")) {
      throw new Trouble.BadField("--bands", "must be octave or third, not " + bands);
    }
    Samples sound;
    List<String> warnings;
    try (SoundFile file = SoundFile.open(input.file)) {
      sound = file.channel(input.channel);
      warnings = new ArrayList<>(file.warnings());
    }
    List<Band> wanted =
        bands.equals("octave")
            ? Octave.ALL
            : Band.THIRDS.stream()
                .filter(b -> b.nominalHz() >= 50 && b.nominalHz() <= 10_000)
                .toList();
    DecayReport report = DecayAnalysis.ofImpulses(sound, wanted);
    warnings.addAll(report.warnings());
    if (input.json) {
      json(report, warnings).print();
    } else {
      print(report);
      warnings.forEach(w -> System.out.println("note: " + w));
    }
    return 0;
  }

  private static JsonOut json(DecayReport r, List<String> warnings) {
    JsonOut out = new JsonOut();
    out.text("excitation", r.takes() > 0 ? "impulse" : null);
    out.put("sampleRateHz", r.sampleRateHz());
    out.put("directArrivalSeconds", r.directArrivalSeconds());
    out.array("bands", r.bands().stream().map(MeasureDecayCommand::band).toList());
    out.put("tMidSeconds", r.tMidSeconds());
    out.text("tMidFrom", r.tMidSeconds().isPresent() ? "t20" : null);
    out.put("tVoiceSeconds", r.tVoiceSeconds());
    out.absent("sti");
    out.put("directToReverberantDb", r.directToReverberantDb());
    out.absent("reflections");
    out.absent("flutter");
    out.absent("harmonicDistortionPercent");
    out.put("takes", r.takes());
    List<String> all = new ArrayList<>(warnings);
    all.add(
        "Speech transmission (sti), reflections, flutter and harmonicDistortionPercent are not evaluated by this version.");
    out.texts("warnings", all);
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
    System.out.printf(Locale.ROOT, "%d impulse(s)%n", r.takes());
    System.out.println("  band     EDT     T20     T30     C50     INR");
    for (DecayReport.BandDecay b : r.bands()) {
      System.out.printf(
          Locale.ROOT,
          "%6.0f %s %s %s %s %s%n",
          b.centreHz(),
          cell(b.edtSeconds(), 2),
          cell(b.t20Seconds(), 2),
          cell(b.t30Seconds(), 2),
          cell(b.c50Db(), 1),
          cell(b.inrDb(), 0));
    }
    r.tMidSeconds()
        .ifPresent(
            t -> System.out.printf(Locale.ROOT, "mid-frequency reverberation time %.2f s%n", t));
  }

  private static String cell(OptionalDouble figure, int digits) {
    return figure.isPresent()
        ? String.format(Locale.ROOT, "%7." + digits + "f", figure.getAsDouble())
        : "      –";
  }
}
