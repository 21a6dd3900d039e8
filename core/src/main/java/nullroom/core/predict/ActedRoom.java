package nullroom.core.predict;

import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.room.Room;
import nullroom.core.signal.Band;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Sweep;

/**
 * What a recorder in a room would take down: its noise, and in it claps, a swept sine by a small
 * loudspeaker, or the voice, through response, microphone and gain chain. All of it invented under
 * a seed; samples at {@link #RATE_HZ}, full scale 1.
 */
public final class ActedRoom {
  /** Samples a second. */
  public static final double RATE_HZ = 48_000;

  private static final double LINE_SECONDS = 10;
  private static final double[] LINES_DB = {-10, 0, 6};

  /** Between two claps; long enough for any home room to fall silent. */
  public static final double CLAP_GAP_SECONDS = 2.4;

  private static final double FIRST_CLAP_SECONDS = 0.5;

  /**
   * A hand clap at 1 m peaks about here, as a sine of that peak (common practice, 105 to 115 dB).
   */
  private static final double CLAP_DB_SPL = 108;

  /** Peak of a small loudspeaker that plays a sweep in a room at home. */
  private static final double LOUDSPEAKER_DB_SPL = 85;

  /** Someone who claps by a microphone turns the gain down until it does not clip. */
  private static final double CLAP_HEADROOM_DB = 6;

  /** What a small loudspeaker does to a sweep: amplitudes of its second and third harmonic. */
  private static final double SECOND_HARMONIC = 0.006;

  private static final double THIRD_HARMONIC = 0.003;
  private static final Band LOUDSPEAKER = new Band(1000, 1000, 75, 17_000);
  private static final int LOUDSPEAKER_ORDER = 2;

  /** From the start of playing to the sound: buffers of player and recorder. */
  private static final double LATENCY_SECONDS = 0.12;

  /** By which part the recorder's clock runs slower than the player's. */
  private static final double DRIFT = 25e-6;

  private final Heard heard;
  private final ResponseMaker room;
  private final long seed;

  /** How the room answers; computed when it is first asked. */
  private interface ResponseMaker {
    double[] response(double seconds);
  }

  private ActedRoom(Heard heard, ResponseMaker room, long seed) {
    this.heard = heard;
    this.room = room;
    this.seed = seed;
  }

  /** The place that {@code heard} describes, without single reflections. */
  public static ActedRoom of(Heard heard, double speedOfSound, long seed) {
    return new ActedRoom(
        heard,
        seconds -> SyntheticRoom.response(heard, speedOfSound, RATE_HZ, seconds, seed + 7),
        seed);
  }

  /** A room whose times are those of {@code heard}. */
  public static ActedRoom in(Room room, Heard heard, long seed) {
    return new ActedRoom(
        heard,
        seconds ->
            ResponseSound.of(
                RoomResponse.of(room, seed, Progress.NONE)
                    .withDecay(Statistics.of(room).seconds(), heard.decaySeconds()),
                RATE_HZ,
                seconds,
                seed + 7),
        seed);
  }

  /** Level of a sine that reaches full scale, dB SPL. */
  public double fullScaleDbSpl() {
    return heard.capture().fullScaleDbSpl();
  }

  /** Noise alone. */
  public double[] quiet(int count) {
    return convert(noise(count));
  }

  /** Claps, one every {@link #CLAP_GAP_SECONDS}. */
  public double[] clapped(int count) {
    return with(claps(count), count);
  }

  /** A swept sine. */
  public double[] swept(int count) {
    return with(sweep(), count);
  }

  /** The voice. */
  public double[] spoken(int count) {
    return with(voice(count), count);
  }

  private double[] noise(int count) {
    return SyntheticRoom.noise(heard.noiseDbSpl(), RATE_HZ, count, seed);
  }

  private double[] with(double[] sound, int count) {
    double[] pressure = noise(count);
    for (int i = 0; i < Math.min(count, sound.length); i++) {
      pressure[i] += sound[i];
    }
    return convert(pressure);
  }

  /** A quiet line, one as usual and the loudest, of ten seconds each. */
  public double[] lines() {
    int line = (int) (LINE_SECONDS * RATE_HZ);
    double[] pressure = noise(line * LINES_DB.length);
    double[] voice = voice(pressure.length);
    for (int i = 0; i < pressure.length; i++) {
      pressure[i] += voice[i] * Decibels.toAmplitude(LINES_DB[i / line]);
    }
    return convert(pressure);
  }

  /** The sweep after half a second and the latency, by a small loudspeaker and another clock. */
  private double[] sweep() {
    Sweep usual = Sweep.USUAL;
    double[] dry =
        new Sweep(
                usual.fromHz() * (1 + DRIFT),
                usual.toHz() * (1 + DRIFT),
                usual.seconds() / (1 + DRIFT))
            .samples(RATE_HZ);
    int start = (int) ((FIRST_CLAP_SECONDS + LATENCY_SECONDS) * RATE_HZ);
    double[] played = new double[dry.length + start];
    for (int i = 0; i < dry.length; i++) {
      double x = dry[i];
      // the second and third Chebyshev polynomial of a sine are its harmonics
      played[start + i] =
          x + SECOND_HARMONIC * (2 * x * x - 1) + THIRD_HARMONIC * (4 * x * x * x - 3 * x);
    }
    Butterworth.bandPass(LOUDSPEAKER, RATE_HZ, LOUDSPEAKER_ORDER)
        .filter(played, played, played.length);
    return scaledTo(LOUDSPEAKER_DB_SPL, Fft.convolve(played, room.response(CLAP_GAP_SECONDS)));
  }

  /** A sound whose peak is that of a sine of a level, or 6 dB under what overloads the chain. */
  private double[] scaledTo(double levelDbSpl, double[] sound) {
    double peak = 0;
    for (double v : sound) {
      peak = Math.max(peak, Math.abs(v));
    }
    double most = Math.min(levelDbSpl, heard.capture().overloadDbSpl() - CLAP_HEADROOM_DB);
    double scale = Math.sqrt(2) * SyntheticRoom.pascal(most) / Math.max(1e-12, peak);
    for (int i = 0; i < sound.length; i++) {
      sound[i] *= scale;
    }
    return sound;
  }

  private double[] claps(int count) {
    double[] train = new double[count];
    for (double at = FIRST_CLAP_SECONDS; at * RATE_HZ < count; at += CLAP_GAP_SECONDS) {
      train[(int) Math.round(at * RATE_HZ)] = 1;
    }
    double[] dry = Fft.convolve(train, pulse());
    return scaledTo(CLAP_DB_SPL, Fft.convolve(dry, room.response(CLAP_GAP_SECONDS)));
  }

  /** Two palms: a short knock around 1.5 kHz over a softer thud around 250 Hz. */
  private static double[] pulse() {
    double[] pulse = new double[(int) (0.012 * RATE_HZ)];
    for (int i = 0; i < pulse.length; i++) {
      double t = i / RATE_HZ;
      pulse[i] =
          Math.cos(2 * Math.PI * 1500 * t) * Math.exp(-t / 0.0004)
              + 0.5 * Math.cos(2 * Math.PI * 250 * t) * Math.exp(-t / 0.0025);
    }
    return pulse;
  }

  /**
   * The voice at 1 m on axis through a response whose direct sound is that of the microphone's
   * place.
   */
  private double[] voice(int count) {
    Bands atMicrophone = heard.directDbSpl();
    double direct = 1 / Math.max(Heard.NEAREST_METRES, heard.distanceMetres());
    double[] dry =
        SyntheticRoom.voice(
            atMicrophone.map(level -> level - Decibels.ofAmplitude(direct)),
            RATE_HZ,
            count,
            seed + 3);
    return Fft.convolve(dry, room.response(CLAP_GAP_SECONDS));
  }

  /**
   * Pressure in pascal to samples: a sine of the full-scale level has amplitude 1; then clipping
   * and rounding.
   */
  private double[] convert(double[] pressure) {
    Capture capture = heard.capture();
    double full = Math.sqrt(2) * SyntheticRoom.pascal(capture.fullScaleDbSpl());
    double steps = Math.pow(2, Math.min(24, capture.bits()) - 1);
    double[] samples = new double[pressure.length];
    for (int i = 0; i < samples.length; i++) {
      samples[i] = Math.clamp(Math.rint(pressure[i] / full * steps), -steps, steps - 1) / steps;
    }
    return samples;
  }
}
