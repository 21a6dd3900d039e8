package nullroom.io.device;

import java.util.OptionalDouble;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.predict.ActedRoom;
import nullroom.core.predict.Heard;
import nullroom.core.room.Room;
import nullroom.core.signal.Samples;

/**
 * Records a modelled room: its noise through the microphone's pattern, self-noise and preamp noise,
 * claps, a sweep from a small loudspeaker or a voice with the room's first reflections and its
 * decay, all through gain, converter clipping and word length. Seeded: the same call gives the same
 * samples.
 */
public final class SimulatedDevice implements AudioDevice {
  private static final double RATE_HZ = ActedRoom.RATE_HZ;
  private static final int LOOP = 1 << 20;
  private static final int LOOPED_CLAPS = 6;

  private final ActedRoom room;
  private final double speed;

  private SimulatedDevice(ActedRoom room, double speed) {
    this.room = room;
    this.speed = speed;
  }

  /** A device in the place that {@code heard} describes, without single reflections. */
  public SimulatedDevice(Heard heard, double speedOfSound, long seed) {
    this(ActedRoom.of(heard, speedOfSound, seed), 1);
  }

  /** A device in a room whose times are those of {@code heard}. */
  public static SimulatedDevice in(Room room, Heard heard, long seed) {
    return new SimulatedDevice(ActedRoom.in(room, heard, seed), 1);
  }

  @Override
  public String name() {
    return "simulated room";
  }

  @Override
  public double sampleRateHz() {
    return RATE_HZ;
  }

  @Override
  public OptionalDouble fullScaleDbSpl() {
    return OptionalDouble.of(room.fullScaleDbSpl());
  }

  /** The same device, whose streams come faster than real ones. */
  public SimulatedDevice atSpeed(double timesRealTime) {
    return new SimulatedDevice(room, timesRealTime);
  }

  /**
   * The room's noise without end, or someone in it who claps or speaks without end: a quiet line, a
   * usual one, the loudest.
   *
   * @param prompt {@code SWEEP} is taken for {@code QUIET}
   */
  @Override
  public AudioStream open(Prompt prompt) {
    return switch (prompt) {
      case QUIET, SWEEP, CLIP -> open(Double.POSITIVE_INFINITY, speed);
      case CLAPS -> loop(room.clapped(count(LOOPED_CLAPS * ActedRoom.CLAP_GAP_SECONDS)));
      case VOICE -> loop(room.lines());
    };
  }

  /** A quarter of quiet, half of talk, and claps. */
  private double[] clip(int count) {
    double[] all = new double[count];
    int quiet = count / 4;
    int talk = count / 2;
    System.arraycopy(room.quiet(quiet), 0, all, 0, quiet);
    System.arraycopy(room.spoken(talk), 0, all, quiet, talk);
    int rest = count - quiet - talk;
    System.arraycopy(room.clapped(rest), 0, all, quiet + talk, rest);
    return all;
  }

  private AudioStream loop(double[] samples) {
    return new PacedStream(samples, RATE_HZ, Double.POSITIVE_INFINITY, speed, System::nanoTime);
  }

  private static int count(double seconds) {
    return (int) Math.round(seconds * RATE_HZ);
  }

  /**
   * The room's noise until the device is pulled out.
   *
   * @param goneAfterSeconds when that happens
   * @param speed times real time, 1 but for tests
   */
  public AudioStream open(double goneAfterSeconds, double speed) {
    return new PacedStream(room.quiet(LOOP), RATE_HZ, goneAfterSeconds, speed, System::nanoTime);
  }

  @Override
  public Samples record(Prompt prompt, double seconds, Progress progress) {
    if (!(seconds > 0 && seconds <= 600)) {
      throw new Trouble.BadField(
          "seconds", "the simulated device records up to 600 s, not " + seconds);
    }
    int count = count(seconds);
    progress.step(0, count);
    double[] samples =
        switch (prompt) {
          case QUIET -> room.quiet(count);
          case CLAPS -> room.clapped(count);
          case SWEEP -> room.swept(count);
          case VOICE -> room.spoken(count);
          case CLIP -> clip(count);
        };
    progress.step(count, count);
    return new Samples(samples, RATE_HZ, PacedStream.LARGEST);
  }
}
