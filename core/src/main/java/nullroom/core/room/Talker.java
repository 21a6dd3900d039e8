package nullroom.core.room;

import java.util.Optional;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;

/**
 * Who speaks.
 *
 * @param at place of the lips
 * @param aim where they face
 * @param effort how loud
 * @param directivity of the voice
 * @param movement how far they move meanwhile
 * @param own their voice as it was measured; without it the table's for the effort
 */
public record Talker(
    Point at,
    Aim aim,
    VocalEffort effort,
    Directivity directivity,
    Movement movement,
    Optional<OwnVoice> own)
    implements Placed<Talker> {
  /** Somebody who sits still. */
  public Talker(Point at, Aim aim, VocalEffort effort, Directivity directivity) {
    this(at, aim, effort, directivity, Movement.NONE, Optional.empty());
  }

  @Override
  public Talker placed(Point place, Aim direction) {
    return new Talker(place, direction, effort, directivity, movement, own);
  }

  /** The same voice in another direction. */
  public Talker turnedTo(double azimuthDegrees) {
    return placed(at, new Aim(azimuthDegrees, aim.elevationDegrees()));
  }

  /** The same voice from another place. */
  public Talker movedTo(Point place) {
    return placed(place, aim);
  }

  /** The same place with another effort. */
  public Talker with(VocalEffort other) {
    return new Talker(at, aim, other, directivity, movement, own);
  }

  /** The same voice, moving otherwise. */
  public Talker with(Movement other) {
    return new Talker(at, aim, effort, directivity, other, own);
  }

  /** The same place with a voice that was measured, or with the table's. */
  public Talker with(Optional<OwnVoice> voice) {
    return new Talker(at, aim, effort, directivity, movement, voice);
  }

  /** Octaves of the voice at 1 m on axis. */
  public Bands voiceDbSpl() {
    return own.map(o -> o.levelsDbSpl(effort)).orElse(effort.levelsDbSpl());
  }

  /** Loudest peaks over the active level. */
  public double crestDb() {
    return own.map(o -> o.crestDb(effort)).orElse(effort.crestDb());
  }
}
