package nullroom.io.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.AtHand;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentPlanner;
import nullroom.core.plan.treatment.TreatmentSchool;
import nullroom.core.room.FirstRoom;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HangingListTest {
  @TempDir Path folder;

  private static HangingList.Faces faces() throws IOException {
    Path fonts = Path.of("../app/src/main/resources/nullroom/app/fonts");
    return new HangingList.Faces(
        Files.readAllBytes(fonts.resolve("OpenSans_400Regular.ttf")),
        Files.readAllBytes(fonts.resolve("OpenSans_600SemiBold.ttf")),
        UnaryOperator.identity());
  }

  private static String length(double metres) {
    return String.format(Locale.ROOT, "%.2f m", metres);
  }

  private static TreatmentPlanner.Result planned(Room room, AtHand hand) {
    return TreatmentPlanner.plan(
        new RoomBook("test", Goal.SPOKEN_ON_CAMERA, room),
        hand,
        EnumSet.of(TreatmentSchool.FREE),
        4,
        Progress.NONE);
  }

  private String text(Path file) throws IOException {
    try (PDDocument document = Loader.loadPDF(file.toFile())) {
      return new PDFTextStripper().getText(document);
    }
  }

  @Test
  @DisplayName(
      "it names every step with its place, what to fetch and buy, cautions, and what comes down")
  void whole() throws IOException {
    Room room = FirstRoom.room().named("Küche 居間");
    AtHand hand = AtHand.USUAL.plus(AtHand.THINKABLE.get(9)).withLadder(true);
    TreatmentPlanner.Result found = planned(room, hand);
    TreatmentPlan plan = found.plans().getFirst();
    assertThat(plan.steps()).isNotEmpty();
    Path file = folder.resolve("list.pdf");
    HangingList.write(room, found.before(), plan, HangingListTest::length, faces(), file);
    String text = text(file).replaceAll("\\s+", " ");
    assertThat(text)
        .contains("What to hang: Küche ??")
        .contains("From home")
        .contains("In this order")
        .contains("local codes")
        .contains("To take down afterwards");
    for (TreatmentPlan.Step step : plan.steps()) {
      double left = step.patch().orElseThrow().corners().getFirst().x();
      assertThat(text).contains(step.name()).contains(length(left) + " along");
    }
    for (Surface surface :
        plan.steps().stream().map(s -> s.patch().orElseThrow().surface()).distinct().toList()) {
      assertThat(text.toLowerCase(Locale.ROOT)).contains(surface.spoken());
    }
  }

  @Test
  @DisplayName("each of its texts is said in the reader's words, title and drawings too")
  void words() throws IOException {
    Room room = FirstRoom.room();
    TreatmentPlanner.Result found = planned(room, AtHand.USUAL);
    TreatmentPlan plan = found.plans().getFirst();
    HangingList.Faces plain = faces();
    HangingList.Faces shouted =
        new HangingList.Faces(plain.regular(), plain.bold(), t -> t.toUpperCase(Locale.ROOT));
    Path file = folder.resolve("shouted.pdf");
    HangingList.write(room, found.before(), plan, HangingListTest::length, shouted, file);
    assertThat(text(file)).contains("WHAT TO HANG", " ALONG, ").doesNotContainPattern("[a-z]");
    try (PDDocument document = Loader.loadPDF(file.toFile())) {
      assertThat(document.getDocumentInformation().getTitle()).startsWith("WHAT TO HANG");
    }
  }

  @Test
  @DisplayName("nothing to hang is said; a folder that is not there is named")
  void nothing() throws IOException {
    Room room = FirstRoom.room().tagged(Surface.wall(1), Optional.of(SurfaceTag.STAY_BARE));
    TreatmentPlanner.Result found = planned(room, AtHand.USUAL.withPieces(List.of()));
    Path file = folder.resolve("none.pdf");
    TreatmentPlan plan = found.plans().getFirst();
    HangingList.write(room, found.before(), plan, HangingListTest::length, faces(), file);
    assertThat(text(file)).contains("hang nothing more");
    Path lost = folder.resolve("away/none.pdf");
    HangingList.Faces faces = faces();
    assertThatThrownBy(() ->
            HangingList.write(room, found.before(), plan, HangingListTest::length, faces, lost))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("cannot be written");
  }
}
