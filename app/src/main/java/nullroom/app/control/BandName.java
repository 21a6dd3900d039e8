package nullroom.app.control;

/** How an octave is called: 63 Hz, 2 kHz. */
public final class BandName {
  private BandName() {}

  /** The name of a nominal mid-band frequency. */
  public static String of(double hz) {
    return hz >= 1000 ? Math.round(hz / 1000) + " kHz" : Math.round(hz) + " Hz";
  }
}
