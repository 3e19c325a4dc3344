package humble.core.likeness;

import humble.core.marking.BandColour;
import java.util.List;

/**
 * The chance that a band of one colour is taken for another: exp(−ΔE/κ), normalised over the twelve
 * colours.
 */
final class Confusion {
  /**
   * An e-fold of the chance per ten units of distance: what is sold as one colour differs by about
   * as much from maker to maker, and that, not the eye, is what makes brown pass for red.
   */
  private static final double KAPPA = 10;

  private final double[][] chance;

  private Confusion(double[][] chance) {
    this.chance = chance;
  }

  static Confusion of(Paint.Body body, Light light, Eyes eyes) {
    BandColour[] colours = BandColour.values();
    Lab[] seen = new Lab[colours.length];
    for (int i = 0; i < colours.length; i++) {
      seen[i] = Paint.seen(colours[i], body, light, eyes);
    }
    double[][] chance = new double[colours.length][colours.length];
    for (int i = 0; i < colours.length; i++) {
      double sum = 0;
      for (int k = 0; k < colours.length; k++) {
        chance[i][k] = Math.exp(-seen[i].distance(seen[k]) / KAPPA);
        sum += chance[i][k];
      }
      for (int k = 0; k < colours.length; k++) {
        chance[i][k] /= sum;
      }
    }
    return new Confusion(chance);
  }

  double chance(BandColour is, BandColour taken) {
    return chance[is.ordinal()][taken.ordinal()];
  }

  /**
   * Gives the chance that a whole sequence is taken for another of the same length, the worse of
   * both directions. Bands that agree do not count against it: whoever doubts one band looks at the
   * others well.
   */
  double chance(List<BandColour> is, List<BandColour> taken) {
    double there = 1;
    double back = 1;
    for (int i = 0; i < is.size(); i++) {
      if (is.get(i) != taken.get(i)) {
        there *= chance(is.get(i), taken.get(i));
        back *= chance(taken.get(i), is.get(i));
      }
    }
    return Math.max(there, back);
  }
}
