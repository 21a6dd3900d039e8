package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.StreamSupport;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One run of the command line in this process: what it printed and its exit code. */
record Run(int code, String out, String err) {

  static Run of(Object... arguments) {
    PrintStream realOut = System.out;
    PrintStream realErr = System.err;
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    try {
      System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
      int code =
          CommandLineFace.run(
              Arrays.stream(arguments).map(Object::toString).toArray(String[]::new));
      return new Run(
          code, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(realOut);
      System.setErr(realErr);
    }
  }

  /** Runs with --json, which must succeed with one object and nothing else. */
  static JsonNode json(Object... arguments) {
    Object[] all = Arrays.copyOf(arguments, arguments.length + 1);
    all[arguments.length] = "--json";
    Run run = of(all);
    assertThat(run.err()).isEmpty();
    assertThat(run.code()).isZero();
    JsonNode json = JsonMapper.shared().readTree(run.out());
    assertThat(json.isObject()).isTrue();
    assertThat(run.out()).doesNotContain("NaN").doesNotContain("Infinity");
    return json;
  }

  /** What every refusal looks like: one line on stderr, nothing on stdout, exit code 1. */
  void isRefusedWith(String... words) {
    assertThat(code).isEqualTo(1);
    assertThat(out).isEmpty();
    assertThat(err.strip().lines()).hasSize(1);
    assertThat(err).startsWith("nullroom: ").contains(words).doesNotContain("Exception");
  }

  static List<String> keys(JsonNode object) {
    return List.copyOf(object.propertyNames());
  }

  static List<JsonNode> elements(JsonNode array) {
    return StreamSupport.stream(array.spliterator(), false).toList();
  }

  static JsonNode band(JsonNode bands, double centreHz) {
    return elements(bands).stream()
        .filter(b -> b.get("centreHz").asDouble() == centreHz)
        .findFirst()
        .orElseThrow();
  }

  static boolean warns(JsonNode json, String words) {
    return elements(json.get("warnings")).stream().anyMatch(w -> w.asString().contains(words));
  }

  /** A sine in a float WAV. */
  static Path sine(Path file, double hz, double amplitude, double rate, double seconds) {
    double[] x = new double[(int) (rate * seconds)];
    for (int i = 0; i < x.length; i++) {
      x[i] = amplitude * Math.sin(2 * Math.PI * hz * i / rate);
    }
    return write(file, x, rate);
  }

  static Path write(Path file, double[] x, double rate) {
    WavWriter.writeFloat(file, new Samples(x, rate));
    return file;
  }
}
