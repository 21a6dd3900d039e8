package nullroom.app.desktop;

import java.nio.file.Path;

/** What a window can be told to do about books other than the one that it shows. */
interface BookActions {
  /** Shows where to begin: the books, a new one, a recording, the demo. */
  void start();

  /** Opens another book in place of this one. */
  void open(Path folder);

  /** Copies the open book with its recordings and opens the copy. */
  void duplicate();

  /** Puts the open book away and goes back to the start. */
  void putAway();

  /** Opens the demo, as it was left or fresh. */
  void demo();

  /** Ends the program. */
  void quit();
}
