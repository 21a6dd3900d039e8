package nullroom.io.device;

import java.util.Arrays;
import java.util.List;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.Line;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.Mixer;
import javax.sound.sampled.SourceDataLine;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import org.jspecify.annotations.Nullable;

/** Plays one sound through this computer's output, 16 bit mono, until it ends or is closed. */
public final class Loudspeaker implements AutoCloseable {
  private static final int FRAMES = 2048;
  private static final Line.Info ANY = new Line.Info(SourceDataLine.class);

  private final SourceDataLine line;
  private final Thread thread;

  private Loudspeaker(SourceDataLine line, byte[] bytes) {
    this.line = line;
    thread =
        Thread.ofPlatform()
            .daemon()
            .name("loudspeaker")
            .start(() -> {
              for (int at = 0; at < bytes.length && line.isOpen(); at += 2 * FRAMES) {
                line.write(bytes, at, Math.min(2 * FRAMES, bytes.length - at));
              }
            });
  }

  /** Names of the outputs of this computer. */
  public static List<String> outputs() {
    return Arrays.stream(AudioSystem.getMixerInfo())
        .filter(m -> AudioSystem.getMixer(m).isLineSupported(ANY))
        .map(Mixer.Info::getName)
        .distinct()
        .toList();
  }

  /** Begins to play on an output, or on the system's own where there is none of that name. */
  public static Loudspeaker play(Samples sound, String output) {
    return play(
        sound,
        Arrays.stream(AudioSystem.getMixerInfo())
            .filter(m -> m.getName().equals(output))
            .filter(m -> AudioSystem.getMixer(m).isLineSupported(ANY))
            .findFirst()
            .orElse(null));
  }

  /**
   * Begins to play.
   *
   * @throws Trouble.BadSound where there is no output or it is taken
   */
  public static Loudspeaker play(Samples sound) {
    return play(sound, (Mixer.@Nullable Info) null);
  }

  private static Loudspeaker play(Samples sound, Mixer.@Nullable Info on) {
    AudioFormat format = new AudioFormat((float) sound.sampleRateHz(), 16, 1, true, false);
    try {
      SourceDataLine line =
          on == null
              ? AudioSystem.getSourceDataLine(format)
              : AudioSystem.getSourceDataLine(format, on);
      line.open(format);
      line.start();
      return new Loudspeaker(line, bytes(sound));
    } catch (LineUnavailableException | IllegalArgumentException e) {
      throw new Trouble.BadSound(
          "the loudspeaker",
          "cannot be used: there is no sound output, or another program holds it. Write the sound to a file and play it from a phone");
    }
  }

  /** Little-endian codes, rounded. */
  static byte[] bytes(Samples sound) {
    double[] x = sound.toArray();
    byte[] bytes = new byte[2 * x.length];
    for (int i = 0; i < x.length; i++) {
      int code = (int) Math.clamp(Math.round(x[i] * 32_768), -32_768, 32_767);
      bytes[2 * i] = (byte) code;
      bytes[2 * i + 1] = (byte) (code >> 8);
    }
    return bytes;
  }

  /** Waits until it has been heard to its end, or was stopped. */
  public void await() {
    try {
      thread.join();
      line.drain();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Stops at once. */
  @Override
  public void close() {
    line.close();
    thread.interrupt();
  }
}
