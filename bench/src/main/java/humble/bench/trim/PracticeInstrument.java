package humble.bench.trim;

import humble.core.kit.Calibration;
import humble.core.kit.Proof;
import humble.core.stock.Meter;
import java.util.Random;

/**
 * A simulated instrument that is calibrated and held to known parts. It is off by a gain and an
 * offset of its own, and the known parts by theirs; now and then one reading is a decade off, as a
 * range that was left wrong makes it.
 */
public final class PracticeInstrument {
  private static final double PLAIN = 0.05;
  private static final double ONCE_IN = 8;

  private final long seed;
  private final double gain;

  /** Makes the one that follows from a seed. */
  public PracticeInstrument(long seed) {
    this.seed = seed;
    this.gain = 0.4 * new Random(seed).nextGaussian();
  }

  /** Gives what it reads of a known part, in the base unit. */
  public double reads(Proof proof) {
    Random random = new Random(seed ^ proof.id().hashCode() * 31L);
    Meter meter = Meter.parse(proof.meter()).orElse(Meter.USUAL);
    double part = proof.nominal() * (1 + proof.tolerancePct() / 250 * random.nextGaussian());
    double reads = part + gain * meter.uncertainty(part, 0);
    boolean wrongRange = random.nextDouble() * ONCE_IN < 1;
    double shown = wrongRange ? reads / 10 : reads;
    // Four digits are shown.
    double digit = Math.pow(10, Math.floor(Math.log10(Math.abs(shown))) - 3);
    return Math.round(shown / digit) * digit;
  }

  /** Gives a reading of a step of a calibration, in its unit. */
  public double reads(Calibration calibration, int step, int count) {
    Calibration.Step asked = calibration.steps().get(step - 1);
    Random random = new Random(seed ^ calibration.id().hashCode() * 31L ^ step * 1009L);
    double spread = asked.within() > 0 ? asked.within() : PLAIN;
    double there = spread * 4 * (0.5 + random.nextDouble());
    double wavers = new Random(random.nextLong() + count).nextGaussian() * spread;
    double digit = Math.pow(10, Math.floor(Math.log10(spread)) - 1);
    return Math.round((asked.nominal() + there + wavers) / digit) * digit;
  }
}
