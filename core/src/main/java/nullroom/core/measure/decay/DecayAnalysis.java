package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.ClipCounter;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.take.SilentEnd;
import nullroom.core.signal.Band;
import nullroom.core.signal.Resampler;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;
import nullroom.core.signal.Sweep;
import nullroom.core.signal.SweepTrace;

/**
 * Reverberation from claps or pops, a swept sine, or switched-off noise: finds them, evaluates each
 * band, averages.
 *
 * <p>Source: ISO 3382-1:2009, ISO 3382-2:2008 (evaluation ranges, 5.3; impulse to noise ratios of
 * 35 and 45 dB for T20 and T30, time-reversed filtering with B T > 4, 7.3).
 */
public final class DecayAnalysis {
  /** Levels over the noise that a time needs. */
  static final double INR_EDT_DB = 20;

  static final double INR_T20_DB = 35;
  static final double INR_T30_DB = 45;

  private static final double DIRECT_SECONDS = 0.0025;

  /** ISO 3382-2:2008, Table 1: decays at each position for the engineering method. */
  private static final int FEWEST_INTERRUPTIONS = 3;

  private DecayAnalysis() {}

  /**
   * What to look for.
   *
   * @param excitation empty to tell from the recording
   * @param sweep law of the sweep that was played; where empty, the usual range and a length that
   *     fits the recording
   * @param reference the signal that was played, where it is not to be made from the law
   * @param bands to evaluate; those that the sampling rate cannot carry are left out
   * @param moreBands more bands, of which nothing is said in words
   */
  public record Request(
      Optional<Excitation> excitation,
      Optional<Sweep> sweep,
      Optional<Samples> reference,
      List<Band> bands,
      List<Band> moreBands) {
    /** No more. */
    public Request(
        Optional<Excitation> excitation,
        Optional<Sweep> sweep,
        Optional<Samples> reference,
        List<Band> bands) {
      this(excitation, sweep, reference, bands, List.of());
    }

    /** Whatever the recording holds; a sweep is the usual one. */
    public static Request any(List<Band> bands) {
      return any(bands, List.of());
    }

    /** The same, in more bands. */
    public static Request any(List<Band> bands, List<Band> moreBands) {
      return new Request(Optional.empty(), Optional.empty(), Optional.empty(), bands, moreBands);
    }
  }

  /** Evaluates a recording of one or more impulses. */
  public static DecayReport ofImpulses(Samples sound, List<Band> bands) {
    return analyse(
        sound,
        new Request(Optional.of(Excitation.IMPULSE), Optional.empty(), Optional.empty(), bands));
  }

  /** Evaluates one channel. */
  public static DecayReport analyse(Samples sound, Request request) {
    return analyse(sound, request, Progress.NONE);
  }

  /**
   * Evaluates one channel.
   *
   * @param progress told of each band; may cancel
   */
  public static DecayReport analyse(Samples sound, Request request, Progress progress) {
    progress.step(0, 1);
    List<Band> bands = Band.within(request.bands(), sound.sampleRateHz());
    double[] x = sound.toArray();
    if (sound.seconds() < NoiseMeter.SHORTEST_SECONDS) {
      return nothing(
          sound,
          bands,
          "The sound is shorter than 0.4 s; record each clap with a second of silence after it.");
    }
    if (Arrays.stream(x).allMatch(v -> v == 0)) {
      return nothing(sound, bands, "The file holds digital silence; is the microphone muted?");
    }
    double mean = Arrays.stream(x).average().orElse(0);
    for (int i = 0; i < x.length; i++) {
      x[i] -= mean;
    }
    double rate = sound.sampleRateHz();
    boolean maybeSweep = request.excitation().orElse(Excitation.SWEEP) == Excitation.SWEEP;
    Optional<SweepTrace> rise = maybeSweep ? SweepTrace.of(x, rate) : Optional.empty();
    if (request.excitation().isEmpty() && rise.isEmpty() && Talk.likely(x, rate)) {
      return nothing(
          sound,
          bands,
          "No clap, sweep or switched-off noise can be made out: this sounds like someone speaking. Clap once, sharply, and wait two seconds in silence.");
    }
    Excitation excitation =
        request.excitation().orElse(rise.isPresent() ? Excitation.SWEEP : Excitation.NOISE);
    Takes takes = takes(excitation, x, rate, rise, request);
    if (request.excitation().isEmpty()
        && excitation == Excitation.NOISE
        && takes.responses().isEmpty()) { // neither rises nor breaks off: claps are left
      excitation = Excitation.IMPULSE;
      takes = takes(excitation, x, rate, rise, request);
    }
    return takes.responses().isEmpty()
        ? nothing(sound, bands, takes.warnings().getFirst())
        : evaluate(
            excitation,
            rate,
            bands,
            Band.within(request.moreBands(), rate),
            takes,
            clipping(sound),
            progress);
  }

  private static Takes takes(
      Excitation excitation, double[] x, double rate, Optional<SweepTrace> rise, Request request) {
    return switch (excitation) {
      case IMPULSE -> ImpulseTakes.find(SilentEnd.cut(x, rate), rate);
      case NOISE -> NoiseTakes.find(SilentEnd.cut(x, rate), rate);
      case SWEEP -> sweeps(x, rate, rise, request);
    };
  }

  private static Takes sweeps(double[] x, double rate, Optional<SweepTrace> rise, Request request) {
    if (request.reference().isPresent()) {
      Samples played = Resampler.to(request.reference().get(), rate);
      Optional<SweepTrace> law = SweepTrace.of(played.toArray(), rate);
      Sweep sweep =
          law.map(t ->
                  new Sweep(
                      t.lowHz(), t.highHz(), t.secondsPerE() * Math.log(t.highHz() / t.lowHz())))
              .orElse(Sweep.USUAL);
      return new SweepTakes(played.toArray(), sweep, rate).find(x, rise);
    }
    Sweep sweep = request.sweep().orElseGet(() -> SweepLaw.heard(rise, x, rate));
    Takes takes = new SweepTakes(sweep.samples(rate), sweep, rate).find(x, rise);
    if (takes.found() > 0 && request.sweep().isEmpty() && !SweepLaw.usualRange(sweep)) {
      takes
          .warnings()
          .add(
              Figures.say(
                  "Nobody told which sweep was played; by its sound it rose from %.0f to %.0f Hz in %.1f s.",
                  sweep.fromHz(), sweep.toHz(), sweep.seconds()));
    }
    return takes;
  }

  private static Optional<String> clipping(Samples sound) {
    ClipCounter clips = new ClipCounter(sound.largestAmplitude());
    double[] x = sound.toArray();
    clips.add(x, x.length);
    return clips.samples() == 0
        ? Optional.empty()
        : Optional.of(
            Figures.say(
                "The recording clips (%d samples at full scale): levels, clarity and distortion are wrong by it; turn the input down and repeat.",
                clips.samples()));
  }

  private static DecayReport nothing(Samples sound, List<Band> bands, String why) {
    return DecayReport.nothing(
        sound.sampleRateHz(),
        bands.stream()
            .map(b -> DecayReport.BandDecay.unknown(b.nominalHz(), OptionalDouble.empty()))
            .toList(),
        List.of(why));
  }

  private static DecayReport evaluate(
      Excitation excitation,
      double rate,
      List<Band> bands,
      List<Band> moreBands,
      Takes whole,
      Optional<String> clipping,
      Progress progress) {
    boolean response = excitation != Excitation.NOISE;
    Takes takes = response ? shortened(whole, rate) : whole;
    List<String> warnings = new ArrayList<>(takes.warnings());
    clipping.ifPresent(warnings::add);
    List<ZeroPhase> spectra =
        response ? takes.responses().stream().map(t -> new ZeroPhase(t, rate)).toList() : List.of();
    AtomicInteger done = new AtomicInteger();
    Function<Band, DecayReport.BandDecay> evaluation =
        band -> {
          synchronized (done) {
            progress.step(done.incrementAndGet(), bands.size() + moreBands.size() + 1);
          }
          if (takes.played(band) < Takes.LEAST_PLAYED) {
            return DecayReport.BandDecay.unknown(band.nominalHz(), OptionalDouble.empty());
          }
          return response
              ? new BandEvaluation(band, rate, takes.responses(), spectra, takes.lead()).evaluate()
              : new NoiseEvaluation(band, rate, takes).evaluate();
        };
    List<DecayReport.BandDecay> decays = bands.parallelStream().map(evaluation).toList();
    warnings.addAll(DecayWords.explain(excitation, takes, bands, decays));
    double[] loudest = loudest(takes);
    boolean speechPlayed =
        Octave.ALL.stream().skip(1).allMatch(b -> takes.played(b) >= Takes.LEAST_PLAYED);
    DecayReport report =
        new DecayReport(
            Optional.of(excitation),
            rate,
            takes.directSeconds(),
            takes.found(),
            decays,
            moreBands.parallelStream().map(evaluation).toList(),
            response ? directToReverberant(takes, rate) : OptionalDouble.empty(),
            response && speechPlayed ? Modulation.of(spectra, takes.lead(), rate) : List.of(),
            response ? Reflections.find(loudest, takes.lead(), rate) : List.of(),
            response ? FlutterEcho.find(loudest, takes.lead(), rate) : Optional.empty(),
            LowRinging.find(spectra, takes.lead(), rate).stream()
                .filter(r -> takes.sweep().map(s -> r.frequencyHz() >= s.fromHz()).orElse(true))
                .toList(),
            takes.distortionPercent(),
            warnings);
    if (!response && takes.found() < FEWEST_INTERRUPTIONS) {
      warnings.add("Fewer than three interruptions were averaged: repeat for steadier times.");
    }
    if (report.tMidSeconds().isEmpty()) {
      warnings.add("There is no mid-frequency time: the T20 of 500 Hz or 1 kHz is missing.");
    }
    if (response && report.modulation().isEmpty()) {
      warnings.add(
          "There is no speech transmission index: an octave from 125 Hz to 8 kHz is missing.");
    }
    return report.with(warnings);
  }

  /** What lies far behind the end of the decay only costs time. */
  private static Takes shortened(Takes takes, double rate) {
    int lead = takes.lead();
    double[] squared = new double[takes.responses().getFirst().length - lead];
    for (double[] take : takes.responses()) {
      Sums.addSquares(squared, take, lead);
    }
    int keep = (int) Math.min(squared.length, 2.5 * Lundeby.of(squared, rate).crossing() + rate);
    return takes.with(takes.responses().stream().map(t -> Arrays.copyOf(t, lead + keep)).toList());
  }

  private static double[] loudest(Takes takes) {
    double most = -1;
    double[] loudest = takes.responses().getFirst();
    for (double[] take : takes.responses()) {
      double peak = Arrays.stream(take).map(Math::abs).max().orElse(0);
      if (peak > most) {
        most = peak;
        loudest = take;
      }
    }
    return loudest;
  }

  private static OptionalDouble directToReverberant(Takes takes, double rate) {
    int lead = takes.lead();
    int before = (int) (0.0005 * rate); // a band-limited pulse begins a little before its peak
    double[] squared = new double[takes.responses().getFirst().length - lead + before];
    for (double[] take : takes.responses()) {
      Sums.addSquares(squared, take, lead - before);
    }
    Lundeby noise = Lundeby.of(squared, rate);
    double direct = 0;
    double rest = 0;
    int split = before + (int) Math.ceil(DIRECT_SECONDS * rate);
    for (int i = 0; i < noise.crossing(); i++) {
      if (i < split) {
        direct += squared[i] - noise.noise();
      } else {
        rest += squared[i] - noise.noise();
      }
    }
    return direct > 0 && rest > 0
        ? OptionalDouble.of(Decibels.ofEnergy(direct / rest))
        : OptionalDouble.empty();
  }
}
