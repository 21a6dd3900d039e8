package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.text.Text;
import nullroom.app.Fx;
import nullroom.app.help.Glossary;
import nullroom.app.help.HelpPage;
import nullroom.app.shell.Command;
import nullroom.app.shell.Units;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** The words of the interface against the glossary, and the help that is reached from it. */
class WordsTest extends OnEveryPage {
  /** Abbreviations and signs of the trade: NC, LAeq, dBFS, T20, LUFS, C − A. */
  private static final Pattern TRADE =
      Pattern.compile(
          "(?<![\\p{L}\\p{N}])(?:[A-Z]{2,5}\\d{0,2}|L[ACZ]\\w+|dB\\w*|T\\d\\d|T mid)(?![\\p{L}\\p{N}])");

  /** What is no term of the trade: kinds of files, and the bodies that publish standards. */
  private static final Set<String> KNOWN =
      Set.of("SVG", "PNG", "CSV", "WAV", "FLAC", "AES", "ATSC", "EBU", "ISO", "USB", "GB");

  private Set<String> texts() {
    Set<String> all = new HashSet<>();
    for (Node node : demo.scene().getRoot().lookupAll("*")) {
      if (node instanceof Labeled labeled && labeled.getText() != null) {
        all.add(labeled.getText());
      } else if (node instanceof Text text) {
        all.add(text.getText());
      }
    }
    return all;
  }

  @Test
  @DisplayName("every abbreviation that the window shows is in the glossary")
  void terms() {
    Set<String> missing = new TreeSet<>();
    for (Command page : demo.pages()) {
      demo.go(page);
      Fx.on(this::texts).forEach(text -> missing.addAll(notInGlossary(text)));
    }
    assertThat(missing).isEmpty();
  }

  /** Abbreviations of a text that the glossary of the language spoken does not have. */
  static List<String> notInGlossary(String text) {
    return TRADE
        .matcher(text)
        .results()
        .map(m -> m.group())
        .filter(t -> !KNOWN.contains(t) && Glossary.shipped().in(t).isEmpty())
        .map(t -> t + " in “" + text + "”")
        .toList();
  }

  @Test
  @DisplayName("in feet no page says a length, an area or a volume in metres")
  void feet() {
    Pattern metric = Pattern.compile("\\d (?:cm|m²|m³|m)(?![\\p{L}²³/])|^(?:c?m|m²|m³)$");
    Set<String> left = new TreeSet<>();
    Fx.run(() -> demo.composition.preferences().unitsProperty().set(Units.FEET));
    for (Command page : demo.pages()) {
      demo.go(page);
      Fx.on(this::texts).stream()
          .filter(t -> metric.matcher(t.replaceAll("(?:at|in) 1 m\\b", "")).find())
          .forEach(left::add);
    }
    Fx.run(() -> demo.composition.preferences().unitsProperty().set(Units.METRES));
    assertThat(left).isEmpty();
    demo.go(demo.pages().getFirst());
    assertThat(Fx.on(this::texts)).noneMatch(t -> t.contains(" ft"));
  }

  @Test
  @DisplayName("terms are listed once, in order, and each says something")
  void glossary() {
    List<Glossary.Term> terms = Glossary.shipped().terms();
    List<String> forms = terms.stream().flatMap(t -> t.forms().stream()).toList();
    assertThat(forms).doesNotHaveDuplicates().hasSizeGreaterThan(120);
    assertThat(terms).allSatisfy(t -> assertThat(t.meaning()).endsWith(".").hasSizeLessThan(170));
    assertThat(Glossary.shipped().in("Clear 4 dB, 6 short"))
        .extracting(Glossary.Term::name)
        .containsExactly("Clear", "dB");
    assertThat(Glossary.shipped().in("nothing of the kind; unclear")).isEmpty();
    assertThat(Glossary.shipped().find("dbfs")).extracting(Glossary.Term::name).contains("dBFS");
  }

  @Test
  @DisplayName("a word is explained where the keyboard is; help is reached from every station")
  void reached() {
    Fx.run(
        () -> demo.composition.shell().commands().find("1r").getFirst().getValue().action().run());
    Fx.run(() -> {
      demo.layOut();
      demo.scene().getRoot().lookupAll(".rung-label").stream()
          .filter(n -> n instanceof Text t && t.getText().startsWith("Quiet"))
          .findFirst()
          .orElseThrow()
          .requestFocus();
    });
    assertThat(Fx.on(() -> ((Label) demo.scene().lookup("#explained")).getText()))
        .startsWith("Quiet: How far the voice stands over the noise");
    assertThat(HelpPage.all()).allSatisfy(p -> assertThat(p.paragraphs()).isNotEmpty());
    for (String id : List.of("listen", "ring", "room", "dress", "mic", "level")) {
      assertThat(HelpPage.all()).extracting(HelpPage::id).contains(id);
    }
    Fx.run(() -> ((Button) demo.scene().lookup("#help-listen")).fire());
    assertThat(Fx.await(() -> (Label) demo.scene().lookup("#help-title"), l -> l != null).getText())
        .isEqualTo("Is it quiet enough?");
    Fx.run(() -> ((Button) demo.scene().lookup("#help-keys")).fire());
    assertThat(Fx.on(this::texts)).contains("Ctrl+Z", "Undo", "8u");
    Fx.run(() -> ((Button) demo.scene().lookup("#help-words")).fire());
    TextField field = (TextField) Fx.await(() -> demo.scene().lookup("#find-word"), f -> f != null);
    Fx.run(() -> field.setText("flutter"));
    assertThat(Fx.on(this::texts)).anyMatch(t -> t.startsWith("A rattle between"));
    Fx.run(() -> demo.composition.shell().sheets().close());
  }

  @Test
  @DisplayName("no file syntax and no bare remarks of a table stand in the window")
  void plain() {
    for (Command page : demo.pages()) {
      demo.go(page);
      assertThat(Fx.on(this::texts))
          .noneMatch(t -> t.matches("(?s).*\\w\\[\\d+\\].*"))
          .noneMatch(t -> t.contains("low confidence"));
    }
  }
}
