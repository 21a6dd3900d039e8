package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Figures;
import nullroom.core.predict.Origin;

/**
 * The answer to "why?" of a figure.
 *
 * @param of name of the figure
 * @param figure with its unit
 * @param formula how it follows from its inputs, and what that is called
 * @param source published, or "common practice"
 * @param inputs what it was made from
 * @param uncertaintyDb standard uncertainty; empty where the figure is exact or a setting
 * @param mostly what would change it most
 */
public record Why(
    String of,
    String figure,
    String formula,
    String source,
    List<Input> inputs,
    OptionalDouble uncertaintyDb,
    String mostly) {
  /**
   * What a figure was made from.
   *
   * @param name of it
   * @param figure with its unit
   * @param origin where it comes from
   */
  public record Input(String name, String figure, Origin origin) {
    /** "room noise 31.2 dBA, measured on ..." */
    public String line() {
      return name + " " + figure + ", " + origin.from();
    }
  }

  public Why {
    inputs = List.copyOf(inputs);
  }

  /** The answer, a line for each of its parts. */
  public List<String> lines() {
    List<String> lines = new ArrayList<>();
    lines.add(of + ": " + figure);
    lines.add(formula);
    inputs.forEach(i -> lines.add("from " + i.line()));
    uncertaintyDb.ifPresent(u -> lines.add(Figures.say("give or take %.1f dB", u)));
    if (!mostly.isEmpty()) {
      lines.add("what would change it most: " + mostly);
    }
    lines.add("source: " + source);
    return lines;
  }
}
