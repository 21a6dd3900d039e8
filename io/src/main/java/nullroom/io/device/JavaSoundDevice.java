package nullroom.io.device;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.Mixer;
import javax.sound.sampled.TargetDataLine;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;

/**
 * A sound input of this computer, 16 bit through javax.sound.sampled: the first of two channels at
 * 48 kHz, so that the other can be told apart from it; mono where there is one only; else the same
 * at 44.1 kHz.
 */
public final class JavaSoundDevice implements AudioDevice {
  private static final List<AudioFormat> FORMATS =
      List.of(format(48_000, 2), format(48_000, 1), format(44_100, 2), format(44_100, 1));

  private final Mixer.Info mixer;
  private final AudioFormat format;

  private JavaSoundDevice(Mixer.Info mixer, AudioFormat format) {
    this.mixer = mixer;
    this.format = format;
  }

  private static AudioFormat format(int rate, int channels) {
    return new AudioFormat(rate, 16, channels, true, false);
  }

  private static DataLine.Info line(AudioFormat format) {
    return new DataLine.Info(TargetDataLine.class, format);
  }

  /** Inputs that are there now. */
  public static List<AudioDevice> list() {
    List<AudioDevice> found = new ArrayList<>();
    for (Mixer.Info info : AudioSystem.getMixerInfo()) {
      Mixer there = AudioSystem.getMixer(info);
      FORMATS.stream()
          .filter(format -> there.isLineSupported(line(format)))
          .findFirst()
          .ifPresent(format -> found.add(new JavaSoundDevice(info, format)));
    }
    return found;
  }

  @Override
  public String name() {
    return mixer.getName();
  }

  @Override
  public double sampleRateHz() {
    return format.getSampleRate();
  }

  @Override
  public OptionalDouble fullScaleDbSpl() {
    return OptionalDouble.empty();
  }

  @Override
  public AudioStream open(Prompt prompt) {
    try {
      TargetDataLine line = (TargetDataLine) AudioSystem.getMixer(mixer).getLine(line(format));
      int frames = (int) (AudioStream.BUFFER_SECONDS * format.getSampleRate());
      line.open(format, frames * format.getFrameSize());
      line.start();
      return new LineStream(line, format);
    } catch (LineUnavailableException | IllegalArgumentException e) {
      throw new Trouble.BadSound(name(), "cannot be opened; is it in use by another program?");
    }
  }

  @Override
  public Samples record(Prompt prompt, double seconds, Progress progress) {
    try (AudioStream stream = open(prompt)) {
      return Recording.of(stream, name(), seconds, progress);
    }
  }
}
