package nullroom.core.book;

import java.util.Optional;
import java.util.stream.Stream;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.measure.noise.Culprits;
import nullroom.core.room.NoiseSource;
import nullroom.core.signal.SampleSource;

/**
 * Something that may be making noise, on the culprit board.
 *
 * @param name for people
 * @param needed whether it must be switched on again afterwards: fridges, boilers
 * @param on the noise with it on, where it was heard
 * @param off the noise with it off, nothing else changed
 * @param switchedOff whether it is off now
 * @param owed whether it was switched off and nobody has said yet that it is on again
 * @param source where it is and how loud at 1 m, where that is known
 */
public record Suspect(
    String name,
    boolean needed,
    Optional<Heard> on,
    Optional<Heard> off,
    boolean switchedOff,
    boolean owed,
    Optional<NoiseSource> source) {

  /**
   * One recording of it.
   *
   * @param sound file name under sound/
   * @param octaveDbfs what the microphone gave, per octave
   * @param chain that it was recorded with, where somebody knows
   */
  public record Heard(String sound, Bands octaveDbfs, Optional<Capture> chain) {
    /**
     * Measures a recording.
     *
     * @throws nullroom.core.Trouble.BadSound if it has no octaves to compare
     */
    public static Heard of(String sound, SampleSource recording, Optional<Capture> chain) {
      return new Heard(
          sound,
          NoiseMeasurement.report(sound, recording, Progress.NONE).octaveDbSpl(0).orElseThrow(),
          chain);
    }

    /** What it would have given at another full scale. */
    private Bands at(Optional<Double> fullScaleDbSpl) {
      double by =
          fullScaleDbSpl.flatMap(full -> chain.map(c -> c.fullScaleDbSpl() - full)).orElse(0.0);
      return octaveDbfs.map(level -> level + by);
    }
  }

  /** Nothing known but its name. */
  public static Suspect of(String name, boolean needed) {
    return new Suspect(
        name, needed, Optional.empty(), Optional.empty(), false, false, Optional.empty());
  }

  /** Heard on. */
  public Suspect withOn(Heard heard) {
    return new Suspect(name, needed, Optional.of(heard), off, switchedOff, owed, source);
  }

  /** Heard off. */
  public Suspect withOff(Heard heard) {
    return new Suspect(name, needed, on, Optional.of(heard), switchedOff, owed, source);
  }

  /** Switched off, or on: what is needed is owed from the first until the second. */
  public Suspect switched(boolean nowOff) {
    return new Suspect(name, needed, on, off, nowOff, needed && nowOff, source);
  }

  /** In a place, or in none. */
  public Suspect with(Optional<NoiseSource> place) {
    return new Suspect(name, needed, on, off, switchedOff, owed, place);
  }

  /** With both recordings made with a chain. */
  public Suspect heardWith(Optional<Capture> chain) {
    return new Suspect(
        name,
        needed,
        on.map(h -> new Heard(h.sound(), h.octaveDbfs(), chain)),
        off.map(h -> new Heard(h.sound(), h.octaveDbfs(), chain)),
        switchedOff,
        owed,
        source);
  }

  /** Whether the simulated device made one of its recordings. */
  public boolean simulated() {
    return Stream.concat(on.stream(), off.stream())
        .anyMatch(h -> DecayMeasurement.isSimulated(h.sound()));
  }

  /** Chain of the first of its recordings. */
  public Optional<Capture> chain() {
    return on.flatMap(Heard::chain);
  }

  /**
   * As a suspect of the board, where it was heard both ways; in dBFS of the chain that it was heard
   * on with.
   */
  public Optional<Culprits.Suspect> pair() {
    return pairAt(chain());
  }

  /** The same in dBFS of a chain; as it was recorded where one of them is not known. */
  public Optional<Culprits.Suspect> pairAt(Optional<Capture> of) {
    Optional<Double> full = of.map(Capture::fullScaleDbSpl);
    return on.flatMap(o -> off.map(f -> new Culprits.Suspect(name, o.at(full), f.at(full))));
  }
}
