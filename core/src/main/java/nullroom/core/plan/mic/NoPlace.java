package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.acoustics.Mount;
import nullroom.core.book.Shelf;
import nullroom.core.room.Camera;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/** What to say of a microphone that finds no place: which limit to give up, and what that takes. */
final class NoPlace {
  private static final double[] LONGER_METRES = {0.5, 1, 1.5, 2, 3};

  /** A longer boom costs so much a metre (common practice, from memory). */
  private static final double PRICE_PER_METRE = 40;

  private NoPlace() {}

  static String words(MicChain chain, Room room, Shelf shelf) {
    List<Mount> mounts = chain.type().mounts();
    String none = "“" + chain.type().label() + "” finds no place: ";
    if (!mounts.contains(Mount.BOOM) && !mounts.contains(Mount.STAND)) {
      return none
          + (mounts.contains(Mount.CAMERA)
              ? room.setUp().cameras().isEmpty()
                  ? "there is no camera to put it on."
                  : "on the camera it would be in a picture, or at the lips."
              : "what could hold it is not in the room.");
    }
    Mount mount = mounts.contains(Mount.BOOM) ? Mount.BOOM : Mount.STAND;
    List<String> ways = new ArrayList<>();
    longer(chain, mount, room, shelf).ifPresent(ways::add);
    tighter(chain, mount, room, shelf).ifPresent(ways::add);
    boolean filmed = !room.setUp().cameras().isEmpty();
    String why =
        filmed ? "the picture leaves none within reach." : "nothing free is within reach of it.";
    return none
        + why
        + (ways.isEmpty()
            ? " Neither a longer boom nor a tighter picture helps: move the one who speaks, or make room around them."
            : " " + String.join(" ", ways));
  }

  private static Optional<String> longer(MicChain chain, Mount mount, Room room, Shelf shelf) {
    for (double more : LONGER_METRES) {
      double boom = Math.min(Shelf.LONGEST_METRES, shelf.boomMetres() + more);
      double stand = Math.min(Shelf.LONGEST_METRES, shelf.standMetres() + more);
      Optional<Double> metres = nearest(chain, mount, room, shelf.withReach(boom, stand));
      if (metres.isPresent()) {
        return Optional.of(
            Figures.say(
                "A %s of %.1f m would bring it to %.0f cm (about %.0f).",
                Figures.word(mount),
                mount == Mount.BOOM ? boom : stand,
                100 * metres.get(),
                PRICE_PER_METRE * more));
      }
    }
    return Optional.empty();
  }

  private static Optional<String> tighter(MicChain chain, Mount mount, Room room, Shelf shelf) {
    if (room.camera().isEmpty()) {
      return Optional.empty();
    }
    Point lips = room.requireTalker().at();
    Camera camera = room.camera().get();
    double away = camera.at().distanceTo(lips);
    for (Shelf.Shot shot : new Shelf.Shot[] {Shelf.Shot.WAIST, Shelf.Shot.HEAD_AND_SHOULDERS}) {
      Camera other = camera.movedTo(camera.at(), lips).showing(Shot.height(shot), away);
      Optional<Double> metres = nearest(chain, mount, room.withCamera(Optional.of(other)), shelf);
      if (other.focalMillimetres() > camera.focalMillimetres() && metres.isPresent()) {
        return Optional.of(
            Figures.say(
                "A picture of %s would leave it a place at %.0f cm, and costs nothing.",
                FrameReach.words(shot), 100 * metres.get()));
      }
    }
    return Optional.empty();
  }

  private static Optional<Double> nearest(MicChain chain, Mount mount, Room room, Shelf shelf) {
    Point lips = room.requireTalker().at();
    return new MicPlaces(room, shelf)
        .of(mount, chain.close()).stream().map(p -> p.at().distanceTo(lips)).min(Double::compareTo);
  }
}
