package humble.core.wake;

import humble.core.kit.Proof;
import humble.core.stock.Meter;
import humble.core.stock.MeterProfile;
import humble.core.stock.Verdict;
import humble.core.units.Band;
import java.util.Optional;

/**
 * What an instrument read of a known part, judged by the decision rule of ISO 14253-1: what the
 * reading stands for against nominal ± tolerance.
 *
 * @param reads the reading, in the base unit
 * @param verdict whether it agrees
 * @param errorPct how far it is off the nominal value, in per cent of that
 * @param decades how many decades it is off, when that alone is what is wrong; 0 otherwise
 * @param opinion whether another meter could say more
 */
public record Proving(
    double reads, Verdict verdict, double errorPct, int decades, Opinion opinion) {
  /** Whether a second opinion is worth it. */
  public sealed interface Opinion {
    /** The reading agrees: nothing is to be gained. */
    record Needless() implements Opinion {}

    /** The known part may itself be farther off than the reading: a better known part is wanted. */
    record BetterPart(double tolerancePct) implements Opinion {}

    /**
     * Another meter tells whether the part or the instrument is off.
     *
     * @param withinPct how near it has to be to tell, in per cent of the nominal value
     * @param profile a common meter that is so near, where there is one
     */
    record OtherMeter(double withinPct, Optional<String> profile) implements Opinion {}
  }

  private static final double NEAR_A_DECADE = 0.15;

  /** A meter tells the part from the instrument that is off by a third of what is between them. */
  private static final double A_THIRD = 3;

  /**
   * Judges a reading.
   *
   * @param lastDigit worth of the last digit that was written, in the base unit
   */
  public static Proving of(Proof proof, double reads, double lastDigit) {
    Meter meter = Meter.parse(proof.meter()).orElse(Meter.USUAL);
    double uncertainty = meter.uncertainty(reads, lastDigit);
    double tolerance = proof.tolerancePct() / 100 * proof.nominal();
    Verdict verdict =
        Verdict.of(Band.around(reads, uncertainty), Band.around(proof.nominal(), tolerance));
    double error = (reads - proof.nominal()) / proof.nominal() * 100;
    return new Proving(
        reads, verdict, error, decades(proof, reads), opinion(proof, verdict, reads, tolerance));
  }

  private static int decades(Proof proof, double reads) {
    if (reads <= 0) {
      return 0;
    }
    double tens = Math.log10(reads / proof.nominal());
    long whole = Math.round(tens);
    boolean near = Math.abs(reads / (proof.nominal() * Math.pow(10, whole)) - 1) < NEAR_A_DECADE;
    return near ? (int) whole : 0;
  }

  private static Opinion opinion(Proof proof, Verdict verdict, double reads, double tolerance) {
    if (verdict == Verdict.INSIDE) {
      return new Opinion.Needless();
    }
    double apart = Math.abs(reads - proof.nominal());
    double specified =
        Meter.parse(proof.meter()).orElse(Meter.USUAL).uncertainty(proof.nominal(), 0);
    if (verdict == Verdict.EDGE && tolerance < specified) {
      // The window is narrower than the instrument claims to be: no reading can lie inside it.
      return new Opinion.BetterPart(2 * specified / proof.nominal() * 100);
    }
    double within = Math.max(apart, tolerance) / A_THIRD / proof.nominal() * 100;
    return new Opinion.OtherMeter(
        within, proof.kind().equals("resistor") ? near(proof, within) : Optional.empty());
  }

  /** The common meter that is so near, the plainest first. */
  private static Optional<String> near(Proof proof, double withinPct) {
    return MeterProfile.COMMON.stream()
        .filter(profile -> !profile.equals(MeterProfile.USUAL))
        .filter(profile -> {
          double off = profile.at(proof.nominal()).uncertainty(proof.nominal(), 0);
          return off / proof.nominal() * 100 <= withinPct;
        })
        .map(MeterProfile::id)
        .findFirst();
  }
}
