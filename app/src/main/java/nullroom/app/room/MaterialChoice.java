package nullroom.app.room;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.Supplier;
import nullroom.app.control.Choice;
import nullroom.core.acoustics.Material;
import nullroom.core.room.Finish;

/** A material of the table or of the user's own, for one thing of the room. */
final class MaterialChoice {
  private MaterialChoice() {}

  /**
   * A choice that follows the book.
   *
   * @param fits which materials are offered
   * @param now what the thing is made of; empty where it is gone
   * @param onChoice receives what was chosen
   */
  static Choice<Material> of(
      String id,
      String name,
      MaterialsModel materials,
      Predicate<Material> fits,
      Supplier<Optional<Finish>> now,
      Consumer<Finish> onChoice) {
    Choice<Material> box =
        new Choice<>(
            id,
            name,
            List.of(),
            Material::name,
            chosen -> onChoice.accept(materials.finish(chosen)));
    materials.follow(() -> {
      List<Material> offered = materials.all().stream().filter(fits).toList();
      if (!offered.equals(box.getItems())) {
        box.offer(offered);
      }
      box.show(now.get().flatMap(materials::of).orElse(null));
    });
    return box;
  }
}
