package humble.bench.trim;

import humble.core.wake.Aim;
import java.util.List;
import java.util.Random;

/**
 * A simulated beam that is aimed by hand: a lamp whose spot falls off with its angle, turned as the
 * tries so far ask for. What a sensor reads in the dark and in the spot follows from a seed.
 */
public final class PracticeBeam {
  private static final double FIRST_TURN_DEG = 4;
  private static final double SPOT_DEG = 6;

  private final double dark;
  private final double bright;
  private final double target;

  /** Makes the one that follows from a seed. */
  public PracticeBeam(long seed) {
    Random random = new Random(seed);
    this.dark = 40 + random.nextInt(30);
    this.bright = 500 + random.nextInt(200);
    this.target = (random.nextBoolean() ? 1 : -1) * (8 + 6 * random.nextDouble());
  }

  /** Gives what the sensor reads with the lamp off. */
  public double dark() {
    return dark;
  }

  /** Gives what it reads after the next turn, when it read so before. */
  public double reads(List<Double> soFar, double enough) {
    double angle = 0;
    double bestAngle = 0;
    double way = FIRST_TURN_DEG;
    for (int k = 1; k <= soFar.size(); k++) {
      Aim aim = new Aim(soFar.subList(0, k), enough);
      if (aim.best().orElse(0) == k - 1) {
        bestAngle = angle;
      }
      if (aim.next() == Aim.Next.BACK) {
        way = k == 2 ? -way : -way / 2;
        angle = bestAngle;
      }
      angle += way;
    }
    double off = (angle - target) / SPOT_DEG;
    return Math.rint(dark + bright / (1 + off * off));
  }
}
