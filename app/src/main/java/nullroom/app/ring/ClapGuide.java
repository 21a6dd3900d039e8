package nullroom.app.ring;

import java.util.List;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.measure.decay.ClapWatch;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import nullroom.io.device.Recording;

/** Records claps while it says of each whether it will do, until enough have. */
public final class ClapGuide {
  /** Good claps asked for. */
  public static final int WANTED = 5;

  /** Nobody claps longer than this. */
  private static final double MOST_SECONDS = 90;

  private final ReadOnlyObjectWrapper<List<ClapWatch.Clap>> claps =
      new ReadOnlyObjectWrapper<>(List.of());
  private final RingModel ring;
  private final StationContext context;
  private volatile boolean enough;

  ClapGuide(RingModel ring, StationContext context) {
    this.ring = ring;
    this.context = context;
  }

  /** Every sudden sound since the recording began, oldest first. */
  public ReadOnlyObjectProperty<List<ClapWatch.Clap>> clapsProperty() {
    return claps.getReadOnlyProperty();
  }

  /** Where to stand, how loud, how many. */
  public String advice() {
    Room room = context.session().book().room();
    return Figures.say(
        "Stand where you speak, at least %s from the microphone, hands at mouth height. "
            + "Keep still for a second, clap once, sharply, not beside your ear; then wait two seconds in silence. "
            + "%d good claps are enough; a paper bag or balloon gives more bass. Quieten fans first.",
        context
            .units()
            .get()
            .length(Statistics.of(room).leastSourceDistance(room.air().speedOfSound())),
        WANTED);
  }

  /** What to do now. */
  public String now() {
    List<ClapWatch.Clap> heard = claps.get();
    long good = heard.stream().filter(c -> c.verdict() == ClapWatch.Verdict.GOOD).count();
    String count = good == 1 ? "One good clap" : good + " good claps";
    return heard.isEmpty()
        ? "Nothing sudden heard yet."
        : count + " of " + WANTED + ". " + heard.getLast().advice();
  }

  /** Records until enough claps are good, or {@link #enough} is said. */
  public void start() {
    enough = false;
    claps.set(List.of());
    context.watch(
        "Listening for claps",
        AudioDevice.Prompt.CLAPS,
        MOST_SECONDS,
        "claps",
        this::watch,
        ring.measure(),
        ring::keep);
  }

  /** Ends the recording; what was heard so far is measured. */
  public void enough() {
    enough = true;
  }

  private Recording.Watch watch(AudioStream input) {
    ClapWatch watch = new ClapWatch(input.sampleRateHz(), input.largestAmplitude());
    int[] known = {0};
    return (block, count) -> {
      watch.add(block, count);
      List<ClapWatch.Clap> now = watch.claps();
      if (now.size() > known[0]) {
        known[0] = now.size();
        Platform.runLater(() -> claps.set(now));
      }
      return !enough && watch.good() < WANTED;
    };
  }
}
