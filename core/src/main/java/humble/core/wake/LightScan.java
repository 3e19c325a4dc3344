package humble.core.wake;

import java.util.Set;
import java.util.TreeSet;

/**
 * What a scan of a matrix shows, light by light; numbers run from 1.
 *
 * @param dark lights that stay dark at their own turn
 * @param ghosts lights that shine at another's turn
 * @param dim lights that are weak at their own turn
 */
public record LightScan(Set<Integer> dark, Set<Integer> ghosts, Set<Integer> dim) {
  /** A light that shines is hardly ever called dark; a dark one is overlooked now and then. */
  private static final double DARK_NOT_PREDICTED = Math.log(0.0002);

  private static final double DARK_NOT_SEEN = Math.log(0.002);
  private static final double GHOST_NOT_PREDICTED = Math.log(0.02);

  /** A second light at another's turn is easily not looked for. */
  private static final double GHOST_NOT_SEEN = Math.log(0.3);

  /** Lights of one bag differ a little: a weak one is called so without a fault now and then. */
  private static final double DIM_NOT_PREDICTED = Math.log(0.001);

  /** Who does not compare lights overlooks all weak ones at once. */
  private static final double DIM_NOT_SEEN = Math.log(0.3);

  private static final int MOST_COMPARED = 2;

  /** Weak enough to be called dark. */
  private static final double DIM_SEEN_DARK = Math.log(0.15);

  /** A glow that is called weak where nothing should shine. */
  private static final double DARK_SEEN_DIM = Math.log(0.005);

  public LightScan {
    dark = Set.copyOf(dark);
    ghosts = Set.copyOf(ghosts);
    dim = Set.copyOf(dim);
  }

  /** Tells whether every light does what it should. */
  public boolean isSound() {
    return dark.isEmpty() && ghosts.isEmpty() && dim.isEmpty();
  }

  /** Gives the lights of {@code seen} that this accounts for. */
  Set<Integer> explains(LightScan seen) {
    Set<Integer> all = new TreeSet<>();
    all.addAll(both(dark, seen.dark));
    all.addAll(both(ghosts, seen.ghosts));
    all.addAll(both(dim, seen.dim));
    all.addAll(both(dim, seen.dark));
    return all;
  }

  /**
   * Gives the logarithm of how likely {@code seen} is where this is what a fault predicts: every
   * light seen otherwise costs a factor, for eyes err, and two faults may be there.
   */
  double logLikelihood(LightScan seen) {
    Set<Integer> taken = both(dim, seen.dark);
    Set<Integer> glow = both(dark, seen.dim);
    return DIM_SEEN_DARK * taken.size()
        + DARK_SEEN_DIM * glow.size()
        + DARK_NOT_PREDICTED * (without(seen.dark, dark) - taken.size())
        + DARK_NOT_SEEN * (without(dark, seen.dark) - glow.size())
        + DIM_NOT_PREDICTED * (without(seen.dim, dim) - glow.size())
        + DIM_NOT_SEEN * Math.min(MOST_COMPARED, without(dim, seen.dim) - taken.size())
        + GHOST_NOT_PREDICTED * without(seen.ghosts, ghosts)
        + GHOST_NOT_SEEN * without(ghosts, seen.ghosts);
  }

  private static Set<Integer> both(Set<Integer> a, Set<Integer> b) {
    Set<Integer> both = new TreeSet<>(a);
    both.retainAll(b);
    return both;
  }

  /** How many of {@code all} are not in {@code others}. */
  private static int without(Set<Integer> all, Set<Integer> others) {
    return all.size() - both(all, others).size();
  }
}
