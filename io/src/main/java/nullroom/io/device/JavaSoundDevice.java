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

/** A sound input of this computer, 16 bit mono at 48 kHz, through javax.sound.sampled. */
public final class JavaSoundDevice implements AudioDevice {
  private static final AudioFormat FORMAT = new AudioFormat(48_000, 16, 1, true, false);
  private static final DataLine.Info LINE = new DataLine.Info(TargetDataLine.class, FORMAT);

  private final Mixer.Info mixer;

  private JavaSoundDevice(Mixer.Info mixer) {
    this.mixer = mixer;
  }

  /** Inputs that are there now. */
  public static List<AudioDevice> list() {
    List<AudioDevice> found = new ArrayList<>();
    for (Mixer.Info info : AudioSystem.getMixerInfo()) {
      if (AudioSystem.getMixer(info).isLineSupported(LINE)) {
        found.add(new JavaSoundDevice(info));
      }
    }
    return found;
  }

  @Override
  public String name() {
    return mixer.getName();
  }

  @Override
  public double sampleRateHz() {
    return FORMAT.getSampleRate();
  }

  @Override
  public OptionalDouble fullScaleDbSpl() {
    return OptionalDouble.empty();
  }

  @Override
  public AudioStream open(Prompt prompt) {
    try {
      TargetDataLine line = (TargetDataLine) AudioSystem.getMixer(mixer).getLine(LINE);
      line.open(FORMAT);
      line.start();
      return new LineStream(line, FORMAT);
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
