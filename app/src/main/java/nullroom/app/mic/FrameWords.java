package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.plan.mic.FrameReach;
import nullroom.core.plan.mic.LampShadow;
import nullroom.core.room.Aim;
import nullroom.core.room.Furniture;
import nullroom.core.room.Room;
import nullroom.core.room.SharedSpace;
import nullroom.core.room.Talker;

/** What is asked before the microphone, and how it stands. */
final class FrameWords {
  private static final double TOO_NEAR_WALL_METRES = 0.7;
  private static final double WASTED_HEADROOM_METRES = 0.15;

  private FrameWords() {}

  /**
   * One step.
   *
   * @param name of it
   * @param settled whether it is known
   * @param told how it stands
   */
  record Step(String name, boolean settled, String told) {}

  static List<Step> steps(Room room, List<FrameReach> frames, Units units) {
    List<Step> all = new ArrayList<>();
    all.add(place(room, units));
    all.add(
        frames.isEmpty()
            ? new Step(
                "2  Tripod",
                false,
                "No camera is described: nothing limits the microphone, and nothing is known of the picture. Set one up in Room,"
                    + " Set-up.")
            : new Step("2  Tripod", true, tripod(frames, units)));
    all.add(
        frames.isEmpty()
            ? new Step("3  Frame", false, "Follows the camera.")
            : new Step(
                "3  Frame",
                frames.stream().allMatch(FrameReach::lips),
                String.join(" ", frames.stream().map(f -> frame(f, units)).toList())));
    all.add(light(room));
    all.add(microphone(room, frames, units));
    return all;
  }

  private static Step place(Room room, Units units) {
    Talker talker = room.requireTalker();
    double behind = room.reach(talker.at(), new Aim(talker.aim().azimuthDegrees() + 180, 0));
    double before = room.reach(talker.at(), new Aim(talker.aim().azimuthDegrees(), 0));
    String where =
        "The wall behind is "
            + units.length(behind)
            + " from the lips, the one before "
            + units.length(before)
            + ".";
    return new Step(
        "1  Place",
        true,
        behind < TOO_NEAR_WALL_METRES
            ? where
                + " Step forward if the picture allows: a bare wall close behind comes back into the microphone."
            : where);
  }

  private static String tripod(List<FrameReach> frames, Units units) {
    return String.join(
        " ",
        frames.stream()
            .map(f ->
                Figures.capital(f.camera())
                    + ": the lens looks at the lips’ plane from "
                    + units.length(f.metres())
                    + ".")
            .toList());
  }

  private static String frame(FrameReach f, Units units) {
    if (!f.lips()) {
      return Figures.capital(f.camera())
          + " does not have the lips in its picture: turn it, or choose another lens.";
    }
    String shows =
        Figures.capital(f.camera())
            + " shows "
            + FrameReach.words(f.shot())
            + (f.upright() ? ", upright, " : ", across, ")
            + units.length(f.widthMetres())
            + " by "
            + units.length(f.heightMetres())
            + "; ";
    double headroom = f.headroomMetres();
    return shows
        + (headroom < 0
            ? "it cuts " + units.near(-headroom) + " off the head."
            : headroom > WASTED_HEADROOM_METRES
                ? units.near(headroom) + " of headroom: more than looks good, and the boom pays."
                : units.near(headroom) + " of headroom.");
  }

  private static Step light(Room room) {
    List<String> lamps =
        room.furniture().stream().filter(Furniture::shines).map(Furniture::name).toList();
    List<String> trouble =
        Stream.concat(LampShadow.of(room).stream(), SharedSpace.of(room).stream()).toList();
    if (lamps.isEmpty()) {
      return new Step(
          "4  Light",
          false,
          "No lamp is described: whether the boom throws a shadow cannot be told. Put lamps in as furniture whose name says so.");
    }
    return new Step(
        "4  Light",
        trouble.isEmpty(),
        trouble.isEmpty()
            ? "The microphone throws no shadow into the picture from "
                + String.join(", ", lamps)
                + "."
            : String.join(" ", trouble));
  }

  private static Step microphone(Room room, List<FrameReach> frames, Units units) {
    if (frames.isEmpty()) {
      return new Step("5  Microphone", true, "It may go wherever it is best.");
    }
    boolean seen = room.setUp().films(room.requireMicrophone().at());
    Optional<OptionalDouble> nearest = frames.stream().map(FrameReach::nearest).findFirst();
    String reach =
        nearest.isPresent() && nearest.get().isPresent()
            ? "The nearest that a boom may come unseen is "
                + units.near(nearest.get().getAsDouble())
                + "."
            : "The pictures leave a boom no place within its reach.";
    return new Step(
        "5  Microphone",
        !seen && nearest.isPresent() && nearest.get().isPresent(),
        seen ? reach + " Now it is in the picture." : reach);
  }
}
