package nullroom.app.desktop;

import java.nio.file.Path;
import java.util.function.Consumer;
import nullroom.app.listen.ClipModel;
import nullroom.app.listen.ListenModel;
import nullroom.app.listen.Page;
import nullroom.app.ring.RingModel;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;
import nullroom.core.book.NoiseMeasurement;

/** A sound file that goes where it fits by what it holds. */
record Dropped(StationContext context, ListenModel listen, RingModel ring, Consumer<Station> go) {
  /**
   * What holds several things is a clip, a decay goes to Ring, anything else to Listen; the file is
   * read once.
   */
  void open(Path file) {
    StationContext.Measurement<ClipModel.Looked> clip = listen.clip().measure();
    StationContext.Measurement<RingModel.Found> decay = ring.measureDecay();
    StationContext.Measurement<NoiseMeasurement> noise = listen.measureDropped();
    StationContext.Measurement<Runnable> either =
        (sound, progress) -> {
          ClipModel.Looked looked = clip.of(sound, progress);
          if (looked.clip().voice().isPresent() && looked.clip().isSeveral()) {
            return () ->
                show(
                    Station.LISTEN,
                    () -> {
                      listen.pageProperty().set(Page.CLIP);
                      listen.clip().keep(looked);
                    });
          }
          try {
            RingModel.Found found = decay.of(sound, progress);
            return () -> show(Station.RING, () -> ring.keep(found));
          } catch (Trouble.BadSound noDecay) {
            NoiseMeasurement measured = noise.of(sound, progress);
            return () -> show(Station.LISTEN, () -> listen.keep(measured));
          }
        };
    context.open("Looking at " + file.getFileName(), file, "dropped", either, Runnable::run);
  }

  private void show(Station fits, Runnable keep) {
    go.accept(fits);
    keep.run();
  }
}
