package nullroom.app;

import nullroom.app.cli.CommandLineFace;

/** Where the program starts; the window's classes are not loaded until a window is wanted. */
public final class Main {
  private Main() {}

  /** Runs and exits with the code documented for the command line. */
  public static void main(String[] args) {
    System.exit(CommandLineFace.run(args));
  }
}
