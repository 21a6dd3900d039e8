package nullroom.app.cli;

import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.acoustics.NoiseRating;
import nullroom.core.measure.noise.Intrusion;
import nullroom.core.measure.noise.MainsHum;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Tone;

/** A noise report as one JSON object and as text. */
final class NoiseOut {
  private NoiseOut() {}

  private static OptionalDouble spl(OptionalDouble dbfs, OptionalDouble fullScale) {
    return dbfs.isPresent() && fullScale.isPresent()
        ? OptionalDouble.of(dbfs.getAsDouble() + fullScale.getAsDouble())
        : OptionalDouble.empty();
  }

  private static Optional<NoiseRating> nc(NoiseReport r, OptionalDouble fullScale) {
    return fullScale.isPresent() ? r.nc(fullScale.getAsDouble()) : Optional.empty();
  }

  static JsonOut json(NoiseReport r, OptionalDouble fullScale) {
    JsonOut out = new JsonOut();
    out.put("durationSeconds", r.seconds());
    out.put("sampleRateHz", r.sampleRateHz());
    out.put("calibrated", fullScale.isPresent());
    out.put("fullScaleDbSpl", fullScale);
    both(out, "laeq", r.laeqDbfs(), fullScale);
    both(out, "lceq", r.lceqDbfs(), fullScale);
    both(out, "lzeq", r.lzeqDbfs(), fullScale);
    both(out, "laMaxFast", r.laMaxFastDbfs(), fullScale);
    both(out, "la10", r.la10Dbfs(), fullScale);
    both(out, "la50", r.la50Dbfs(), fullScale);
    both(out, "la90", r.la90Dbfs(), fullScale);
    out.put("octaveBands", r.octaves().stream().map(b -> band(b, fullScale, true)).toList());
    out.put("thirdOctaveBands", r.thirds().stream().map(b -> band(b, fullScale, false)).toList());
    Optional<NoiseRating> nc = nc(r, fullScale);
    Optional<NoiseRating> nr =
        fullScale.isPresent() ? r.nr(fullScale.getAsDouble()) : Optional.empty();
    out.put("nc", rating(nc));
    out.put("nr", rating(nr));
    out.put(
        "ncBandHz",
        nc.map(n -> OptionalDouble.of(n.decidingBandHz())).orElse(OptionalDouble.empty()));
    out.put(
        "nrBandHz",
        nr.map(n -> OptionalDouble.of(n.decidingBandHz())).orElse(OptionalDouble.empty()));
    out.put("tones", r.tones().stream().map(NoiseOut::tone).toList());
    if (r.mains().isPresent()) {
      mains(out.object("mains"), r.mains().get());
    } else {
      out.put("mains", null);
    }
    out.put("events", r.intrusions().stream().map(NoiseOut::event).toList());
    out.put("dcOffset", r.dcOffset());
    out.put("clippedSamples", r.clippedSamples());
    return out;
  }

  private static JsonOut tone(Tone t) {
    JsonOut out = new JsonOut();
    out.put("frequencyHz", t.frequencyHz());
    out.put("levelDbfs", t.levelDbfs());
    out.put("prominenceDb", t.prominenceDb());
    out.put("kind", t.mains() ? "mains" : "tone");
    return out;
  }

  static void mains(JsonOut out, MainsHum hum) {
    out.put("fundamentalHz", hum.fundamentalHz());
    out.put("harmonicsHz", hum.harmonicsHz());
    out.put("levelDbfs", hum.levelDbfs());
    out.put("prominenceDb", hum.prominenceDb());
  }

  private static JsonOut event(Intrusion e) {
    JsonOut out = new JsonOut();
    out.put("startSeconds", e.startSeconds());
    out.put("durationSeconds", e.durationSeconds());
    out.put("peakDbfs", e.peakDbfs());
    out.put("riseDb", e.riseDb());
    return out;
  }

  private static OptionalDouble rating(Optional<NoiseRating> rating) {
    return rating.map(n -> OptionalDouble.of(n.rating())).orElse(OptionalDouble.empty());
  }

  private static void both(
      JsonOut out, String name, OptionalDouble dbfs, OptionalDouble fullScale) {
    out.put(name + "Db", spl(dbfs, fullScale));
    out.put(name + "Dbfs", dbfs);
  }

  private static JsonOut band(NoiseReport.BandLevel b, OptionalDouble fullScale, boolean octave) {
    JsonOut out = new JsonOut();
    out.put("centreHz", b.centreHz());
    both(out, "leq", b.leqDbfs(), fullScale);
    if (octave) {
      both(out, "l90", b.l90Dbfs(), fullScale);
    }
    return out;
  }

  static void print(NoiseReport r, OptionalDouble fullScale) {
    String unit = fullScale.isPresent() ? "dB SPL" : "dBFS";
    System.out.printf(Locale.ROOT, "%.1f s at %.0f Hz%n", r.seconds(), r.sampleRateHz());
    print("LAeq", r.laeqDbfs(), fullScale, unit);
    print("LCeq", r.lceqDbfs(), fullScale, unit);
    print("LAFmax", r.laMaxFastDbfs(), fullScale, unit);
    print("LA90", r.la90Dbfs(), fullScale, unit);
    nc(r, fullScale)
        .ifPresent(n ->
            System.out.printf(
                Locale.ROOT, "NC-%d, decided at %.0f Hz%n", n.rating(), n.decidingBandHz()));
    r.mains()
        .ifPresent(m ->
            System.out.printf(
                Locale.ROOT,
                "hum of %.0f Hz mains, %.0f dB over the noise around it%n",
                m.fundamentalHz(),
                m.prominenceDb()));
    r.tones().stream()
        .filter(t -> !t.mains())
        .forEach(t ->
            System.out.printf(
                Locale.ROOT,
                "tone at %.0f Hz, %.0f dB over the noise around it%n",
                t.frequencyHz(),
                t.prominenceDb()));
    r.intrusions()
        .forEach(e ->
            System.out.printf(
                Locale.ROOT,
                "intrusion at %.1f s for %.1f s, %.0f dB over the background%n",
                e.startSeconds(),
                e.durationSeconds(),
                e.riseDb()));
    for (NoiseReport.BandLevel b : r.octaves()) {
      print(
          new DecimalFormat("0.#", DecimalFormatSymbols.getInstance(Locale.ROOT))
                  .format(b.centreHz())
              + " Hz",
          b.leqDbfs(),
          fullScale,
          unit);
    }
  }

  private static void print(
      String name, OptionalDouble dbfs, OptionalDouble fullScale, String unit) {
    if (dbfs.isPresent()) {
      System.out.printf(
          Locale.ROOT, "%-10s %7.1f %s%n", name, dbfs.getAsDouble() + fullScale.orElse(0), unit);
    }
  }
}
