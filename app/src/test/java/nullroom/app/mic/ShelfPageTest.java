package nullroom.app.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.event.ActionEvent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.Trouble;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.Shelf;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ShelfPageTest extends DeskTest {
  private MicModel mic;
  private Scene scene;

  @BeforeEach
  void open() {
    mic = Fx.on(() -> new MicModel(desk));
    ShelfPage page = Fx.on(() -> new ShelfPage(mic.shelf(), desk));
    scene = Fx.on(() -> new Scene(new VBox(page.node(), page.files()), 760, 640));
  }

  private void press(String id) {
    Button button = Fx.find(scene, id, Button.class);
    Fx.run(button::fire);
  }

  private void type(String id, String text) {
    TextField field = Fx.find(scene, id, TextField.class);
    Fx.run(() -> {
      field.setText(text);
      field.fireEvent(new ActionEvent());
    });
  }

  private Shelf shelf() {
    return Fx.on(() -> mic.shelf().shelf());
  }

  private Kit first() {
    return shelf().kit().getFirst();
  }

  @SuppressWarnings("unchecked")
  private void put(String id) {
    ComboBox<MicrophoneType> classes = Fx.find(scene, "shelf-add-microphone", ComboBox.class);
    Fx.run(() -> classes.setValue(MicrophoneType.find(id).orElseThrow()));
    press("shelf-add");
  }

  @Test
  @DisplayName("what is usual is shown as that; what is typed is stated, and unsaid when emptied")
  void fields() {
    put("ldc_cardioid");
    TextField noise = Fx.find(scene, "field-self-noise", TextField.class);
    assertThat(noise.getText()).isEmpty();
    assertThat(noise.getPromptText()).isEqualTo("9");
    type("field-self-noise", "7,5");
    assertThat(shelf().types().getFirst().selfNoiseDbA()).isEqualTo(7.5);
    type("field-self-noise", "");
    assertThat(first().stated()).containsOnlyKeys(KitField.CLASS);
    type("kit-name", " big one ");
    assertThat(first().name()).isEqualTo("big one");
    assertThat(Fx.on(() -> mic.choices()))
        .as("the shelf is compared, once there is one")
        .singleElement()
        .satisfies(c -> assertThat(c.type().label()).isEqualTo("big one"));
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
  }

  @Test
  @DisplayName("a sensitivity in millivolts is asked about before it is taken")
  void otherUnit() {
    put("sdc_cardioid");
    type("field-gives-at-94-db-spl", "20");
    assertThat(first().stated()).containsOnlyKeys(KitField.CLASS);
    press("doubt-yes");
    assertThat(first().number(KitField.SENSITIVITY)).isEqualTo(-34);
    type("field-gives-at-94-db-spl", "5");
    press("doubt-no");
    assertThat(first().number(KitField.SENSITIVITY)).isEqualTo(5);
    type("field-self-noise", "74");
    press("doubt-yes");
    assertThat(first().number(KitField.SELF_NOISE)).isEqualTo(20);
  }

  @Test
  @DisplayName("what is used goes into the chain, and says that it is in use")
  void use() {
    ShelfModel model = mic.shelf();
    put("dynamic_broadcast");
    press("shelf-add-recorder");
    press("shelf-add-booster");
    List<Kit> kit = shelf().kit();
    for (Kit each : kit) {
      assertThat(Fx.on(() -> model.canUse(each))).isTrue();
      assertThat(Fx.on(() -> model.inUse(each))).as(each.name()).isFalse();
      Fx.run(() -> model.use(each));
      assertThat(Fx.on(() -> model.inUse(each))).as(each.name()).isTrue();
    }
    assertThat(room().requireMicrophone().capture().stages()).hasSize(1);
    assertThat(desk.session().book().levels().staging().highestGainDb()).isEqualTo(60);
    Fx.run(() -> mic.setType(MicrophoneType.find("headset_usb").orElseThrow()));
    assertThat(Fx.on(() -> model.canUse(kit.get(1)))).as("nothing to plug in").isFalse();
  }

  @Test
  @DisplayName("a file takes the place of what has its names; a bad one changes nothing")
  void files() throws IOException {
    put("ribbon");
    Path good = folder.resolve("good.csv");
    Files.writeString(
        good, "kind,name,class,selfNoiseDbA\nmicrophone,Ribbon,ribbon,15\nstand,tripod,,\n");
    Fx.run(() -> mic.shelf().read(good));
    assertThat(shelf().kit()).extracting(Kit::name).containsExactly("Ribbon", "tripod");
    assertThat(words(desk.work().troubleProperty())).contains("1 in the place of");
    Path bad = folder.resolve("bad.csv");
    Files.writeString(bad, "kind,name,class\nmicrophone,x,ribon\n");
    assertThatThrownBy(() -> Fx.run(() -> mic.shelf().read(bad)))
        .hasRootCauseInstanceOf(Trouble.BadFile.class)
        .rootCause()
        .hasMessageStartingWith("line 2, column 3: class: 'ribon' is none of lav_omni_wired");
    assertThat(shelf().kit()).hasSize(2);
    Path out = folder.resolve("out.json");
    Fx.run(() -> mic.shelf().write(out));
    Fx.run(() -> mic.shelf().remove(mic.shelf().shelf().kit().getFirst()));
    Fx.run(() -> mic.shelf().read(out));
    assertThat(shelf().kit()).hasSize(2);
  }
}
