package nullroom.app.shell;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.core.Trouble;
import nullroom.core.measure.meter.LevelTrace;
import nullroom.core.measure.meter.LiveMeter;
import nullroom.core.measure.meter.LiveReading;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import org.jspecify.annotations.Nullable;

/**
 * The input as it is heard now. One thread of its own reads blocks, meters them and hands them to
 * whoever taps; it waits for nobody, and whoever draws takes the newest reading when it comes to
 * it. Properties live on the FX thread.
 */
public final class Live {
  /** Hears what the input hears, on the hearing thread; must not wait. */
  public interface Tap {
    /** The next samples; the array is reused. */
    void hear(double[] block, int count);

    /** The input stopped or went away; nothing more comes. */
    void ended();
  }

  /**
   * The level of now, for all to see.
   *
   * @param fastDbfs A-weighted, FAST
   * @param heldDbfs largest sample, held
   */
  public record Level(double fastDbfs, double heldDbfs) {}

  /**
   * What is heard.
   *
   * @param sampleRateHz samples a second
   * @param largestAmplitude of its samples
   */
  public record Format(double sampleRateHz, double largestAmplitude) {}

  private record Now(LiveMeter meter, Format format) {}

  private final List<Tap> taps = new CopyOnWriteArrayList<>();
  private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
  private final ReadOnlyStringWrapper trouble = new ReadOnlyStringWrapper("");
  private final ObjectProperty<Optional<Level>> level =
      new SimpleObjectProperty<>(Optional.empty());
  private volatile @Nullable LiveReading reading;
  private volatile @Nullable Now now;
  private volatile boolean wanted;
  private volatile long dropped;

  /** Nothing is heard yet. */
  public Live() {}

  /** Whether the input is heard. */
  public ReadOnlyBooleanProperty runningProperty() {
    return running.getReadOnlyProperty();
  }

  /** Why it ended by itself; empty otherwise. */
  public ReadOnlyStringProperty troubleProperty() {
    return trouble.getReadOnlyProperty();
  }

  /** The level of now, set by whoever hears; on the FX thread. */
  public ObjectProperty<Optional<Level>> levelProperty() {
    return level;
  }

  /** Says the level of a reading to all. */
  public void tell(LiveReading heard) {
    level.set(
        heard.aDbfs().isPresent()
            ? Optional.of(
                new Level(
                    heard.aDbfs().getAsDouble(), heard.peakDbfs().orElse(Double.NEGATIVE_INFINITY)))
            : Optional.empty());
  }

  /** The newest reading; from any thread. */
  public Optional<LiveReading> reading() {
    return Optional.ofNullable(reading);
  }

  /** The levels of the last minute, while or after something was heard. */
  public Optional<LevelTrace> trace() {
    Now heard = now;
    return heard == null ? Optional.empty() : Optional.of(heard.meter().trace());
  }

  /** Blocks lost since the start. */
  public long dropped() {
    return dropped;
  }

  /** Adds a tap; hears from the next block on. */
  public void tap(Tap tap) {
    taps.add(tap);
  }

  /** Takes a tap off. */
  public void untap(Tap tap) {
    taps.remove(tap);
  }

  /** Of what is heard; empty while nothing is. From any thread. */
  public Optional<Format> format() {
    Now heard = now;
    return heard == null || !wanted ? Optional.empty() : Optional.of(heard.format());
  }

  /** Begins to hear a device; does nothing while one is heard. On the FX thread. */
  public void start(AudioDevice device) {
    if (running.get()) {
      return;
    }
    running.set(true);
    trouble.set("");
    wanted = true;
    Thread.ofPlatform()
        .name("hearing")
        .daemon()
        .priority(Thread.MAX_PRIORITY)
        .start(() -> hear(device));
  }

  /** Stops hearing; taps are told. From any thread. */
  public void stop() {
    wanted = false;
  }

  private void hear(AudioDevice device) {
    String why = "";
    try (AudioStream stream = device.open(AudioDevice.Prompt.QUIET)) {
      why = hear(device.name(), stream);
    } catch (Trouble e) {
      why = e.line();
    } catch (RuntimeException e) {
      why = "Something unexpected went wrong: " + e;
      throw e;
    } finally {
      String said = why;
      wanted = false;
      taps.forEach(Tap::ended);
      taps.clear();
      Platform.runLater(() -> {
        running.set(false);
        trouble.set(said);
      });
    }
  }

  private String hear(String name, AudioStream stream) {
    LiveMeter meter = new LiveMeter(stream.sampleRateHz(), stream.largestAmplitude());
    now = new Now(meter, new Format(stream.sampleRateHz(), stream.largestAmplitude()));
    double[] block =
        new double[(int) Math.round(stream.sampleRateHz() * AudioStream.BLOCK_SECONDS)];
    while (wanted) {
      int count = stream.read(block);
      if (count < 0) {
        return wanted
            ? name + " went away; what was heard until then is kept. Plug it in and listen again."
            : "";
      }
      meter.add(block, count);
      for (Tap tap : taps) {
        tap.hear(block, count);
      }
      reading = meter.reading();
      dropped = stream.dropped();
    }
    return "";
  }
}
