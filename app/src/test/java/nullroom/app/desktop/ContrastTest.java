package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Contrast of the tokens of both themes, by the formula of WCAG 2.2 (relative luminance of sRGB,
 * W3C Recommendation of 2023-10-05): 4.5 for text (1.4.3 AA), 3 for marks, frames of what has the
 * keyboard and parts of pictures that carry meaning (1.4.11, 2.4.13).
 */
class ContrastTest {
  private static final Pattern THEME =
      Pattern.compile("\\.(paper|lamp-off) \\{(.*?)\\}", Pattern.DOTALL);
  private static final Pattern TOKEN = Pattern.compile("(-[a-z-]+): (#[0-9a-f]{6})");

  private static Map<String, Map<String, Color>> themes() throws IOException {
    try (InputStream css =
        Objects.requireNonNull(Look.class.getResourceAsStream("/nullroom/app/nullroom.css"))) {
      String text = new String(css.readAllBytes(), StandardCharsets.UTF_8);
      Map<String, Map<String, Color>> all = new HashMap<>();
      Matcher theme = THEME.matcher(text);
      while (theme.find() && all.size() < 2) {
        Map<String, Color> tokens = new HashMap<>();
        Matcher token = TOKEN.matcher(theme.group(2));
        while (token.find()) {
          tokens.put(token.group(1), Color.web(token.group(2)));
        }
        all.put(theme.group(1), tokens);
      }
      return all;
    }
  }

  /** WCAG 2.2, "relative luminance". */
  static double luminance(Color c) {
    return 0.2126 * linear(c.getRed())
        + 0.7152 * linear(c.getGreen())
        + 0.0722 * linear(c.getBlue());
  }

  private static double linear(double part) {
    return part <= 0.04045 ? part / 12.92 : Math.pow((part + 0.055) / 1.055, 2.4);
  }

  /** WCAG 2.2, "contrast ratio". */
  static double contrast(Color a, Color b) {
    double x = luminance(a);
    double y = luminance(b);
    return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
  }

  @ParameterizedTest(name = "{0} on {1}: at least {2}")
  @CsvSource({
    "-ink, -paper, 4.5",
    "-ink, -raised, 4.5",
    "-ink, -goal, 4.5",
    "-ink-soft, -paper, 4.5",
    "-ink-soft, -raised, 4.5",
    "-accent, -paper, 4.5",
    "-accent, -raised, 4.5",
    "-paper, -accent, 4.5",
    "-paper, -ink, 4.5",
    "-short, -paper, 4.5",
    "-short, -raised, 4.5",
    "-slate, -paper, 4.5",
    "-slate, -raised, 4.5",
    "-slate, -goal, 3",
    "-accent, -goal, 3",
    "-short, -goal, 3"
  })
  @DisplayName("text and marks stand out in both themes")
  void enough(String front, String ground, double least) throws IOException {
    assertThat(themes())
        .hasSize(2)
        .allSatisfy((theme, tokens) ->
            assertThat(contrast(token(tokens, front), token(tokens, ground)))
                .as(theme)
                .isGreaterThanOrEqualTo(least));
  }

  private static Color token(Map<String, Color> tokens, String name) {
    return Objects.requireNonNull(tokens.get(name), name);
  }

  @ParameterizedTest(name = "{0} on {1} is {2}")
  @CsvSource({"#000000, #ffffff, 21", "#777777, #ffffff, 4.48", "#ffffff, #ffffff, 1"})
  @DisplayName("the formula itself, on pairs whose ratios are known")
  void formula(String a, String b, double ratio) {
    assertThat(contrast(Color.web(a), Color.web(b)))
        .isCloseTo(ratio, org.assertj.core.api.Assertions.within(0.01));
  }
}
