package nullroom.app.level;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Stage;
import nullroom.core.plan.ChainLink;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;

/** What lies between the judged microphone and what records it. */
public final class StagesModel {
  private final StationContext context;

  StagesModel(StationContext context) {
    this.context = context;
  }

  private Capture capture() {
    return context.session().book().room().requireMicrophone().capture();
  }

  /** The stages of now, in their order. */
  public List<Stage> stages() {
    return capture().stages();
  }

  /** All links, the microphone first. */
  public List<ChainLink> links() {
    return ChainLink.row(capture());
  }

  /** What is heard now. */
  public Heard heard() {
    return context.session().heard();
  }

  /**
   * Puts one more at the end of the row.
   *
   * @throws Trouble.BadField where there are too many
   */
  public void add(Stage usual) {
    List<Stage> more = new ArrayList<>(stages());
    more.add(usual);
    set("Put in the " + usual.name(), more);
  }

  /** Changes one. */
  public void change(int index, UnaryOperator<Stage> change) {
    List<Stage> all = new ArrayList<>(stages());
    try {
      all.set(index, change.apply(all.get(index)));
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("stage", String.valueOf(e.getMessage()));
    }
    set("Change the " + all.get(index).name(), all);
  }

  /** Takes one out. */
  public void remove(int index) {
    List<Stage> fewer = new ArrayList<>(stages());
    Stage out = fewer.remove(index);
    set("Take out the " + out.name(), fewer);
  }

  private void set(String name, List<Stage> row) {
    if (row.size() > Stage.MOST) {
      throw new Trouble.BadField("stages", "are " + Stage.MOST + " at most");
    }
    context
        .session()
        .edit(
            name,
            b ->
                b.with(
                    b.room()
                        .withMicrophone(
                            b.room().requireMicrophone().with(capture().withStages(row)))));
  }

  /** Why a link's figure is what it is, as the row is then; empty where the link is gone. */
  public Optional<Why> why(int index, Quantity quantity) {
    if (index >= links().size()) {
      return Optional.empty();
    }
    ChainLink link = links().get(index);
    Basis basis = heard().basis();
    Input before =
        new Input(
            "94 dB SPL comes to it as",
            Figures.say("%.1f dBu", link.levelDbu()),
            basis.chain().origin());
    List<Input> inputs = new ArrayList<>(List.of(before));
    double figure =
        switch (quantity) {
          case LINK_HISS -> link.hissDbSplA();
          case LINK_LIMIT -> link.limitDbSpl();
          case LINK_LEFT -> link.leftDb(heard());
          default -> throw new IllegalArgumentException("no figure of a link: " + quantity);
        };
    if (quantity == Quantity.LINK_LEFT) {
      inputs.add(
          new Input(
              "loudest peak",
              Figures.say("%.1f dB SPL", heard().peakDbSpl()),
              basis.peak().origin()));
    }
    String unit =
        switch (quantity) {
          case LINK_HISS -> "dBA";
          case LINK_LIMIT -> "dB SPL";
          default -> "dB";
        };
    return Optional.of(
        quantity.why(
            " of “" + link.name() + "”",
            Figures.say("%.1f %s", figure, unit),
            inputs,
            OptionalDouble.of(basis.chain().uncertaintyDb())));
  }
}
