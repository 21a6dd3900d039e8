package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.Margin.Doubt;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Origin;

/**
 * The three margins of what is heard, each with its target, its uncertainty and the word that
 * follows. How a term moves a margin is its derivative there: of a sum of energies, the share of
 * the term in it; of the late level by the reverberation time, that of M. Barron and L.-J. Lee, J.
 * Acoust. Soc. Am. 84 (1988) 618.
 *
 * @param quiet voice over all noise
 * @param clear voice over the late reply of the room
 * @param safe loudest peak under the first thing that overloads
 */
public record Verdicts(Margin quiet, Margin clear, Margin safe) {
  /** ln(10^6): an energy of -60 dB. */
  private static final double DECAY_60 = 6 * Math.log(10);

  /** Decibels of a relative change. */
  private static final double DB_PER_SHARE = 10 / Math.log(10);

  /** The margins of what is heard, for a goal's targets. */
  public static Verdicts of(Heard heard, Margins targets) {
    Margins margins = heard.margins();
    return new Verdicts(
        new Margin(Margins.Kind.QUIET, margins.quietDb(), targets.quietDb(), quiet(heard)),
        new Margin(Margins.Kind.CLEAR, margins.clearDb(), targets.clearDb(), clear(heard)),
        new Margin(Margins.Kind.SAFE, margins.safeDb(), targets.safeDb(), safe(heard)));
  }

  /** One of them. */
  public Margin get(Margins.Kind kind) {
    return switch (kind) {
      case QUIET -> quiet;
      case CLEAR -> clear;
      case SAFE -> safe;
    };
  }

  /** In their order. */
  public List<Margin> all() {
    return List.of(quiet, clear, safe);
  }

  /** The one with the least over its target. */
  public Margin weakest() {
    Margin weakest = quiet;
    for (Margin margin : all()) {
      weakest = margin.overDb() < weakest.overDb() ? margin : weakest;
    }
    return weakest;
  }

  /** Whether each of them is met beyond its uncertainty. */
  public boolean allMet() {
    return all().stream().allMatch(m -> m.verdict() == Verdict.MET);
  }

  private static List<Doubt> quiet(Heard heard) {
    Basis basis = heard.basis();
    double early = share(Octave.aWeightedSum(heard.earlyDbSpl()), heard.voiceDbSplA());
    double place = share(Octave.aWeightedSum(heard.placeNoiseDbSpl()), heard.noiseDbSplA());
    List<Doubt> doubts = new ArrayList<>();
    if (basis.ratio().isPresent()) {
      doubts.add(
          new Doubt(
              "voice over noise in one recording",
              basis.ratio().get().uncertaintyDb(),
              "record a longer clip"));
    } else {
      doubts.add(voice(basis));
      basis
          .scale()
          .ifPresent(s ->
              doubts.add(
                  new Doubt(
                      "the scale", place * s.uncertaintyDb(), "calibrate the input in Listen")));
    }
    doubts.add(
        new Doubt(
            "the room’s noise",
            place * basis.noise().uncertaintyDb(),
            known(basis.noise().origin()) ? "listen longer" : "measure the noise in Listen"));
    if (basis.deviceDb() > 0) {
      doubts.add(
          new Doubt(
              "what the device does to the sound",
              place * basis.deviceDb(),
              "record again with all processing off"));
    }
    doubts.add(
        new Doubt(
            "the chain’s own noise",
            (1 - place) * Basis.OWN_NOISE_DB,
            "look up self-noise and hiss in the data sheets"));
    if (basis.ratio().isEmpty() || !assumed(basis.reply().origin())) {
      doubts.add(reply(basis, early)); // else the voice was heard with what the room sent back
    }
    return doubts;
  }

  private static double share(double partDb, double wholeDb) {
    return Decibels.toEnergy(partDb - wholeDb);
  }

  private static Doubt voice(Basis basis) {
    return new Doubt(
        "the voice’s level",
        basis.voice().uncertaintyDb(),
        "measure your voice by one clip, in Listen");
  }

  private static Doubt reply(Basis basis, double share) {
    return new Doubt(
        "how the room answers",
        share * basis.reply().uncertaintyDb(),
        assumed(basis.reply().origin())
            ? "say how large the room is, in Room"
            : "let the tracing of the room finish");
  }

  private static List<Doubt> clear(Heard heard) {
    Basis basis = heard.basis();
    if (!heard.hasLate()) {
      return List.of(new Doubt("nothing", 0, "")); // there is nothing to be clear of
    }
    Bands byDecay =
        Bands.from(i -> {
          double t = heard.decaySeconds().get(i);
          double slope = DB_PER_SHARE * (1 + DECAY_60 * Heard.EARLY_SECONDS / t);
          return heard.hasLate(i) ? slope * basis.decayShare().get(i) : 0;
        });
    return List.of(
        new Doubt(
            "the reverberation time",
            heard.overVoice(byDecay),
            known(basis.decay())
                ? "clap at more places in Ring"
                : assumed(basis.decay())
                    ? "clap in Ring, or say how large the room is, in Room"
                    : "clap in Ring"),
        reply(basis, 1));
  }

  private static List<Doubt> safe(Heard heard) {
    Basis basis = heard.basis();
    Doubt peak =
        new Doubt(
            "the loudest peak",
            basis.peak().uncertaintyDb(),
            known(basis.peak().origin())
                ? "say your loudest line again in Level"
                : "say your loudest line in Level");
    List<Doubt> doubts = new ArrayList<>(List.of(peak));
    boolean byMicrophone = heard.capture().overloadDbSpl() < heard.capture().fullScaleDbSpl();
    if (!known(basis.peak().origin()) || byMicrophone) { // else heard in the digits that overload
      doubts.add(
          new Doubt(
              "microphone and input",
              basis.chain().uncertaintyDb(),
              "calibrate the input in Listen"));
    }
    heard
        .capture()
        .automatic()
        .ifPresent(stage ->
            doubts.add(
                new Doubt(
                    "a gain that sets itself",
                    Basis.AUTOMATIC_DB,
                    "switch off the automatic gain of “" + stage.name() + "”")));
    return doubts;
  }

  private static boolean assumed(Origin origin) {
    return origin.kind() == Origin.Kind.ASSUMED;
  }

  private static boolean known(Origin origin) {
    return origin.kind() == Origin.Kind.MEASURED || origin.kind() == Origin.Kind.SIMULATED;
  }
}
