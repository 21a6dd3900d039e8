package nullroom.core.signal;

/**
 * The spectrum of one of the overlapping blocks of a {@link SpectrumMeter}.
 *
 * @param packed as {@link Fft#forward} leaves it
 * @param window squares of the block's window at each of {@link #STEPS} equal steps
 * @param done steps that no later block reaches
 */
@SuppressWarnings("ArrayRecordComponent") // handed on once, between two threads; never compared
public record BlockSpectrum(double[] packed, double[] window, int done) {
  /** Steps of a block, and bins that are followed together over time. */
  public static final int STEPS = 64;
}
