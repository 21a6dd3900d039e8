package nullroom.app;

import java.nio.file.Path;
import javafx.beans.value.ObservableValue;
import nullroom.app.shell.StationContext;
import nullroom.core.room.Room;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** Tests on the desk of a fresh book of a bedroom, saved in a folder of its own. */
public abstract class DeskTest {
  @TempDir protected Path folder;
  protected StationContext desk;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @BeforeEach
  void openDesk() {
    desk = Fx.on(() -> TestBooks.desk(folder.resolve("book"), TestBooks.bedroom()));
  }

  protected Room room() {
    return desk.session().book().room();
  }

  /** Does something and waits until the long task that it starts has ended. */
  protected void after(Runnable action) {
    Fx.run(action);
    Fx.until(desk.work().runningProperty(), false);
  }

  protected static String words(ObservableValue<String> value) {
    return Fx.on(value::getValue);
  }
}
