package nullroom.core.measure.altered;

/** Hands on the first ten minutes of a sound: what a device does it does by then. */
final class FirstMinutes implements Hearer {
  static final double SECONDS = 600;

  private final Hearer hearer;
  private long left;

  FirstMinutes(double sampleRateHz, Hearer hearer) {
    this.hearer = hearer;
    left = Math.round(SECONDS * sampleRateHz);
  }

  @Override
  public void add(double[] block, int length) {
    int heard = (int) Math.min(length, left);
    if (heard > 0) {
      hearer.add(block, heard);
      left -= heard;
    }
  }
}
