package humble.bench;

import java.util.Random;

/**
 * The error of a real meter: off by a part of the reading that stays the same from reading to
 * reading, by a zero that stays the same too, rounded to the digits of its display. Half a per cent
 * and two counts are the most it is off by; 2,000 counts.
 */
final class SimulatedMeter {
  private static final double MOST_PART = 0.005;
  private static final double COUNTS = 2000;

  private final double gain;
  private final double zeroCounts;

  SimulatedMeter(Random random) {
    this.gain = 1 + MOST_PART * Math.clamp(random.nextGaussian() / 2, -1, 1);
    this.zeroCounts = random.nextDouble() * 2 - 1;
  }

  /** What the display shows, and what one count of it is worth. */
  record Shown(double value, double lastDigit) {}

  Shown volts(double volts) {
    return shown(volts, 1e-3);
  }

  /** A supply's own display shows tenths of a milliampere at best. */
  Shown amps(double amps) {
    return shown(amps, 1e-4);
  }

  Shown ohms(double ohms) {
    return shown(ohms, 0.1);
  }

  private Shown shown(double value, double leastDigit) {
    double digit = leastDigit;
    while (Math.abs(value) >= COUNTS * digit) {
      digit *= 10;
    }
    double off = value * gain + zeroCounts * digit;
    return new Shown(Math.round(off / digit) * digit, digit);
  }
}
