package nullroom.core.plan.treatment;

import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import nullroom.core.Progress;
import nullroom.core.book.AtHand;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Finish;
import nullroom.core.room.Room;

/** Pieces, limits and plans for tests. */
final class PlanSamples {
  private PlanSamples() {}

  static final Set<TreatmentSchool> FREE = EnumSet.of(TreatmentSchool.FREE);
  static final Set<TreatmentSchool> ALL = EnumSet.allOf(TreatmentSchool.class);

  static RoomBook book(Room room) {
    return new RoomBook("test", Goal.SPOKEN_ON_CAMERA, room);
  }

  static TreatmentPiece piece(
      String name,
      int count,
      double price,
      double w,
      double h,
      String material,
      TreatmentPiece.Hold hold) {
    return new TreatmentPiece(
        name, count, price == 0, price, 10, w, h, false, Finish.of(material), hold, Set.of());
  }

  static AtHand hand(List<TreatmentPiece> pieces, double budget) {
    return new AtHand(
        pieces,
        OptionalDouble.of(budget),
        OptionalDouble.empty(),
        false,
        false,
        2.2,
        false,
        List.of(),
        true,
        false);
  }

  static TreatmentPlan free(Room room, AtHand hand, int most) {
    return TreatmentPlanner.plan(book(room), hand, FREE, most, Progress.NONE).plans().getFirst();
  }
}
