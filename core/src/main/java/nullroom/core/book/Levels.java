package nullroom.core.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * What is known about the recording level.
 *
 * @param locked the setting that was found good
 * @param brief key of what the recording is handed over as, empty where nobody said
 * @param own the user's own brief
 * @param staging what gain is planned for
 * @param loudest the loudest line as it was heard last
 * @param take name under sound/ of the take checked last, empty where there is none
 * @param knob the preamp's dial in its own marks, where they were learnt
 * @param voices of people, as they were measured, the newest first
 */
public record Levels(
    Optional<Locked> locked,
    String brief,
    Optional<Brief> own,
    Staging staging,
    Optional<LoudestLine> loudest,
    String take,
    Optional<Knob> knob,
    List<OwnVoice> voices) {
  private static final int MOST_VOICES = 12;

  /** Nothing yet. */
  public static final Levels NOTHING =
      new Levels(
          Optional.empty(),
          "",
          Optional.empty(),
          Staging.USUAL,
          Optional.empty(),
          "",
          Optional.empty(),
          List.of());

  public Levels {
    voices = List.copyOf(voices);
  }

  /**
   * The loudest line as it was heard: what a prediction of its peak gives way to.
   *
   * @param simulated whether an acted voice was heard
   * @param effort of the voice described then
   * @param heard when, where, through what, and its peak
   */
  public record LoudestLine(boolean simulated, VocalEffort effort, Locked heard) {
    /**
     * Its peak at the capsule, as the level of a sine with that peak; empty in a room where it was
     * not heard: another voice, place or microphone. The gain does not matter.
     */
    public OptionalDouble peakDbSpl(Room room) {
      Capture then = heard.microphone().capture();
      boolean same =
          room.talker().filter(t -> t.effort() == effort).isPresent()
              && heard
                  .changed(
                      room.withMicrophone(
                          room.requireMicrophone()
                              .with(room.requireMicrophone().capture().withGainDb(then.gainDb()))))
                  .isEmpty();
      return same
          ? OptionalDouble.of(heard.peakDbfs() + then.fullScaleDbSpl())
          : OptionalDouble.empty();
    }
  }

  /**
   * A setting that was found good by the loudest line.
   *
   * @param taken when, local date and time
   * @param talkerAt where the talker was
   * @param microphone where it was, with all of its chain and gain
   * @param peakDbfs of the loudest line
   */
  public record Locked(String taken, Point talkerAt, PlacedMicrophone microphone, double peakDbfs) {
    /** What has changed in a room since, in a few words; empty where nothing has. */
    public Optional<String> changed(Room room) {
      Capture then = microphone.capture();
      Capture now = room.requireMicrophone().capture();
      if (then.gainDb() != now.gainDb()) {
        return Optional.of("the gain");
      }
      if (!then.equals(now)) {
        return Optional.of("the microphone or its input");
      }
      boolean moved =
          !microphone.at().equals(room.requireMicrophone().at())
              || !talkerAt.equals(room.requireTalker().at());
      return moved ? Optional.of("where you and the microphone are") : Optional.empty();
    }
  }

  /** What of it holds in another room as well: what is planned and handed over, and the dial. */
  Levels elsewhere() {
    return at(NOTHING);
  }

  /** The same plans with what was found at another place. */
  Levels at(Levels there) {
    return new Levels(there.locked, brief, own, staging, there.loudest, there.take, knob, voices);
  }

  /** With a setting found good. */
  public Levels with(Locked setting) {
    return new Levels(Optional.of(setting), brief, own, staging, loudest, take, knob, voices);
  }

  /** With another brief. */
  public Levels withBrief(String id) {
    return new Levels(locked, id, own, staging, loudest, take, knob, voices);
  }

  /** With another own brief, which becomes the one it is handed over as. */
  public Levels withOwn(Brief other) {
    return new Levels(locked, Brief.OWN, Optional.of(other), staging, loudest, take, knob, voices);
  }

  /** Planned for something else. */
  public Levels with(Staging other) {
    return new Levels(locked, brief, own, other, loudest, take, knob, voices);
  }

  /** With the loudest line heard; an acted one never takes the place of a real one. */
  public Levels with(LoudestLine line) {
    return line.simulated() && loudest.filter(l -> !l.simulated()).isPresent()
        ? this
        : new Levels(locked, brief, own, staging, Optional.of(line), take, knob, voices);
  }

  /** With the preamp's dial learnt, or forgotten. */
  public Levels withKnob(Optional<Knob> learnt) {
    return new Levels(locked, brief, own, staging, loudest, take, learnt, voices);
  }

  /** With another take checked last. */
  public Levels withTake(String sound) {
    return new Levels(locked, brief, own, staging, loudest, sound, knob, voices);
  }

  /** With a voice measured, in place of an older one of that name. */
  public Levels with(OwnVoice voice) {
    List<OwnVoice> all = new ArrayList<>(List.of(voice));
    voices.stream()
        .filter(v -> !v.name().equals(voice.name()))
        .limit(MOST_VOICES - 1)
        .forEach(all::add);
    return new Levels(locked, brief, own, staging, loudest, take, knob, all);
  }

  /** Without a voice. */
  public Levels withoutVoice(String name) {
    return new Levels(
        locked,
        brief,
        own,
        staging,
        loudest,
        take,
        knob,
        voices.stream().filter(v -> !v.name().equals(name)).toList());
  }

  /** What the recording is handed over as; empty where nobody said. */
  public Optional<Brief> handedOverAs() {
    return brief.equals(Brief.OWN) ? own : Brief.find(brief);
  }
}
