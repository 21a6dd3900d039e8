package nullroom.core.measure.clip;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.measure.decay.AlteredDecay;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.decay.Excitation;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.voice.VoiceMeter;
import nullroom.core.measure.voice.VoiceReport;
import nullroom.core.signal.Band;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;

/**
 * What one recording of a place holds: ten quiet seconds, twenty of talk, three claps, in any
 * order; each part is measured as if it were alone.
 *
 * @param seconds length of the recording
 * @param parts what is where
 * @param quiet its noise; empty where nothing is quiet
 * @param decay of its claps; empty without
 * @param estimate of the decay, from the ends of words, where there are no claps
 * @param voice of its talk; empty without
 * @param altered what was done to the sound after the microphone
 * @param words what is missing or doubtful, each a sentence with what to do; what is said of single
 *     octaves stands with the decay
 */
public record Clip(
    double seconds,
    List<ClipPart> parts,
    Optional<NoiseReport> quiet,
    Optional<DecayReport> decay,
    Optional<BlindDecay> estimate,
    Optional<VoiceReport> voice,
    List<Alteration> altered,
    List<String> words) {
  private static final double SHORT_TALK_SECONDS = 8;
  private static final double SHORT_QUIET_SECONDS = 3;
  private static final int FEW_CLAPS = 3;

  /** Who claps for a measurement does so in one series, or comes back to it, and may cough. */
  private static final int MOST_SERIES = 3;

  private static final int MOST_SERIES_AND_OTHERS = 4;

  private static final double MOST_CLAPS_SECONDS = 20;

  /** Pauses between words, where nothing else is quiet. */
  private static final double LEAST_PAUSES_SECONDS = 1;

  public Clip {
    parts = List.copyOf(parts);
    altered = List.copyOf(altered);
    words = List.copyOf(words);
  }

  /** Sorts and measures one channel. */
  public static Clip of(Samples sound, Progress progress) {
    CompletableFuture<List<Alteration>> found =
        CompletableFuture.supplyAsync(
            () -> AlterationMeter.measure(SampleSource.of(sound), Progress.NONE).getFirst());
    CompletableFuture<Optional<String>> turned =
        CompletableFuture.supplyAsync(() -> GainTurned.of(sound));
    ClipSorter sorter = new ClipSorter(sound);
    List<ClipPart> parts = sorter.parts();
    progress.step(1, 4);
    List<Samples> still = cut(sound, parts, ClipPart.Kind.QUIET);
    List<ClipPart> pauses = still.isEmpty() ? sorter.pauses() : List.of();
    boolean byPauses = pauses.stream().mapToDouble(ClipPart::seconds).sum() >= LEAST_PAUSES_SECONDS;
    List<Samples> noise = byPauses ? cut(sound, pauses, ClipPart.Kind.QUIET) : still;
    List<Samples> talk = cut(sound, parts, ClipPart.Kind.TALK);
    CompletableFuture<Optional<VoiceReport>> speaking =
        CompletableFuture.supplyAsync(() ->
            talk.isEmpty() ? Optional.empty() : VoiceMeter.measure(Samples.joined(talk), noise));
    Optional<NoiseReport> quiet =
        noise.isEmpty() ? Optional.empty() : Optional.of(noise(Samples.joined(noise)));
    progress.step(2, 4);
    Optional<Samples> claps = claps(sound, parts);
    Optional<DecayReport> decay = claps.flatMap(c -> decay(c, Band.DECAY_THIRDS, progress));
    Optional<VoiceReport> voice = speaking.join();
    Optional<BlindDecay> estimate =
        decay.isEmpty() && voice.isPresent() ? BlindDecay.of(sound) : Optional.empty();
    progress.step(3, 4);
    List<Alteration> altered =
        decay
            .map(d -> altered(found.join(), d, claps.orElseThrow(), parts, sound))
            .orElseGet(found::join);
    List<String> words = new ArrayList<>();
    words.addAll(missing(parts, quiet, byPauses, decay, estimate, voice));
    turned.join().ifPresent(words::add);
    return new Clip(sound.seconds(), parts, quiet, decay, estimate, voice, altered, words);
  }

  /** Whether it holds more than one thing, so that no single station fits. */
  public boolean isSeveral() {
    return (quiet.isPresent() ? 1 : 0) + (decay.isPresent() ? 1 : 0) + (voice.isPresent() ? 1 : 0)
        > 1;
  }

  /** What a device may have done to the decay without a trace; empty without claps. */
  public Optional<String> unseen() {
    return decay.flatMap(d -> AlteredDecay.unseen(d, altered));
  }

  private static NoiseReport noise(Samples still) {
    return NoiseMeter.measure(SampleSource.of(still), Progress.NONE).getFirst();
  }

  /**
   * Of a series of claps; empty where none will do.
   *
   * @param beside bands beside the octaves
   */
  static Optional<DecayReport> decay(Samples claps, List<Band> beside, Progress progress) {
    DecayReport report =
        DecayAnalysis.analyse(
            claps,
            new DecayAnalysis.Request(
                Optional.of(Excitation.IMPULSE),
                Optional.empty(),
                Optional.empty(),
                Octave.ALL,
                beside),
            (done, all) -> progress.step(2, 4));
    return Optional.of(report).filter(d -> d.takes() > 0);
  }

  private static List<Samples> cut(Samples sound, List<ClipPart> parts, ClipPart.Kind kind) {
    return parts.stream()
        .filter(p -> p.kind() == kind)
        .map(p -> sound.part(p.fromSeconds(), p.toSeconds()))
        .toList();
  }

  /** The series of claps, with what lies between left out; more than so much tells no more. */
  static Optional<Samples> claps(Samples sound, List<ClipPart> parts) {
    List<Samples> series = new ArrayList<>();
    double seconds = 0;
    for (Samples one : cut(sound, parts, ClipPart.Kind.CLAPS)) {
      if (seconds < MOST_CLAPS_SECONDS) {
        series.add(one);
        seconds += one.seconds();
      }
    }
    return series.isEmpty() ? Optional.empty() : Optional.of(Samples.joined(series));
  }

  /**
   * What was done to a sound, and before it what its claps speak for; not those that come now and
   * then between other sounds, as crackling does, nor a single one that may be the last of a voice.
   *
   * @param found of the whole sound
   * @param report of the claps
   */
  static List<Alteration> altered(
      List<Alteration> found,
      DecayReport report,
      Samples claps,
      List<ClipPart> parts,
      Samples sound) {
    long series = parts.stream().filter(p -> p.kind() == ClipPart.Kind.CLAPS).count();
    long others = parts.stream().filter(p -> p.kind() == ClipPart.Kind.OTHER).count();
    boolean end = report.takes() == 1 && isEndOfTalk(parts);
    return series > MOST_SERIES || series + others > MOST_SERIES_AND_OTHERS || end
        ? found
        : AlteredDecay.with(found, report, claps, sound);
  }

  /** Whether what is taken for a clap begins before a voice, or what sounds like one, ends. */
  private static boolean isEndOfTalk(List<ClipPart> parts) {
    List<ClipPart> talk = parts.stream().filter(p -> p.kind() == ClipPart.Kind.TALK).toList();
    return parts.stream()
        .filter(p -> p.kind() == ClipPart.Kind.CLAPS)
        .anyMatch(claps -> talk.stream().anyMatch(claps::beginsIn));
  }

  private static List<String> missing(
      List<ClipPart> parts,
      Optional<NoiseReport> quiet,
      boolean byPauses,
      Optional<DecayReport> decay,
      Optional<BlindDecay> estimate,
      Optional<VoiceReport> voice) {
    List<String> words = new ArrayList<>();
    double talk = seconds(parts, ClipPart.Kind.TALK);
    boolean music = parts.stream().anyMatch(p -> p.kind() == ClipPart.Kind.MUSIC);
    if (voice.isEmpty()) {
      words.add(
          music
              ? "There is music or singing, but nobody talks: talk for twenty seconds where you usually do, as you usually do."
              : "Nobody talks: talk for twenty seconds where you usually do, as you usually do. Until then nobody knows what the levels mean.");
    } else if (talk < SHORT_TALK_SECONDS) {
      words.add(
          Figures.say(
              "There are only %.0f s of talk: twenty say more surely what your voice is like.",
              talk));
    }
    if (voice.filter(v -> v.voices() > 1).isPresent()) {
      words.add(
          "Two voices seem to speak: what is measured is both together. Let one speak alone.");
    }
    if (quiet.isEmpty()) {
      words.add(
          "Nothing is quiet for a second: keep silent for ten seconds, with everything on as when you record.");
    } else if (byPauses) {
      words.add(
          "There is no quiet stretch: the noise is that of the pauses between words, with what the room still sends back in it, so it reads too loud. Keep silent for ten seconds.");
    } else if (seconds(parts, ClipPart.Kind.QUIET) < SHORT_QUIET_SECONDS) {
      words.add("The quiet is short: ten seconds say more surely how loud the room is.");
    }
    if (decay.isEmpty()) {
      words.add(
          estimate.isPresent()
              ? "There are no claps: how the room rings is estimated from the ends of words. Clap three times, two seconds apart."
              : "There are no claps: nobody knows how the room rings. Clap three times, two seconds apart.");
    } else if (decay.get().takes() < FEW_CLAPS) {
      words.add(
          decay.get().takes() == 1
              ? "There is one clap: three are steadier."
              : "There are two claps: three are steadier.");
    }
    voice
        .filter(v -> !v.guessed().isEmpty())
        .ifPresent(v ->
            words.add(
                "The voice does not stand out of the noise at "
                    + v.guessed().stream()
                        .map(hz -> Figures.say("%.0f Hz", hz))
                        .collect(Collectors.joining(", "))
                    + ": there it is a bound."));
    return words;
  }

  private static double seconds(List<ClipPart> parts, ClipPart.Kind kind) {
    return parts.stream().filter(p -> p.kind() == kind).mapToDouble(ClipPart::seconds).sum();
  }
}
