package nullroom.app.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import nullroom.app.desktop.Tour;
import nullroom.core.Trouble;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "tour",
    mixinStandardHelpOptions = true,
    description = "render every main view of the demo book to PNG; needs no monitor")
final class TourCommand implements Callable<Integer> {
  @Parameters(paramLabel = "DIR", description = "folder for the pictures; made if it is not there")
  Path folder = Path.of("");

  @Option(
      names = "--size",
      defaultValue = "1280x800",
      description = "WIDTHxHEIGHT, default ${DEFAULT-VALUE}")
  String size = "1280x800";

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  @Override
  public Integer call() {
    if (!size.matches("\\d{3,4}x\\d{3,4}")) {
      throw new Trouble.BadField("--size", "must look like 1280x800, not " + size);
    }
    String[] sides = size.split("x", 2);
    List<String> pictures =
        Tour.draw(folder, Integer.parseInt(sides[0]), Integer.parseInt(sides[1])).stream()
            .map(Path::toString)
            .toList();
    if (json) {
      JsonOut out = new JsonOut();
      out.put("pictures", pictures);
      out.print();
    } else {
      pictures.forEach(System.out::println);
    }
    return 0;
  }
}
