package humble.benchmarks;

import humble.bench.trim.SimulatedNull;
import humble.core.trim.Goal;
import humble.core.trim.Knob;
import humble.core.trim.TrimAdvice;
import humble.core.trim.TrimState;
import humble.core.trim.Trimmer;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * How many tries it takes to trim coupled nulls, beside turning one screw after the other, each to
 * its least by golden sections, round and round. Both are held to the same simulated instruments,
 * and each is at its end when what is there lies within a digit of the least that can be reached.
 */
final class NullsTrimmed {
  private static final int NULLS = Integer.getInteger("humble.nulls", 200);
  private static final long SEED = Long.getLong("humble.seed", 20261129L);
  private static final int MOST = 400;
  private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;
  private static final double FINEST = 0.0005;
  private static final double WORSE = 1.1;

  private NullsTrimmed() {}

  static void measure(PrintStream out) {
    List<Double> shares = new ArrayList<>();
    List<Integer> ours = new ArrayList<>();
    List<Integer> theirs = new ArrayList<>();
    int worse = 0;
    int missed = 0;
    int leftWell = 0;
    List<Integer> after = new ArrayList<>();
    List<Long> nanos = new ArrayList<>();
    for (int i = 0; i < NULLS; i++) {
      int screws = 2 + i % 2;
      long seed = SEED + 7919L * i;
      int cycled = new OneAtATime(new SimulatedNull(screws, seed)).tries();
      Asked asked = asked(new SimulatedNull(screws, seed));
      leftWell += asked.leftWell() ? 1 : 0;
      after.add(asked.stopped() - asked.tries());
      nanos.addAll(asked.nanos());
      missed += asked.tries() >= MOST ? 1 : 0;
      worse += asked.tries() > WORSE * cycled ? 1 : 0;
      ours.add(asked.tries());
      theirs.add(cycled);
      shares.add(asked.tries() / (double) cycled);
    }
    shares.sort(null);
    ours.sort(null);
    theirs.sort(null);
    after.sort(null);
    nanos.sort(null);
    out.println(
        String.format(
            Locale.ROOT,
            "| %d coupled nulls of two and three screws, seed %d | half within %d tries; %d never;"
                + " stops %d tries later in the middle, left within a digit in %d;"
                + " advice %.1f ms in the middle, 99 of 100 within %.1f ms | one screw after the other: half within %d | %.2f in"
                + " the middle, %.2f in all; worse by a tenth in %d |",
            NULLS,
            SEED,
            ours.get(NULLS / 2),
            missed,
            after.get(NULLS / 2),
            leftWell,
            nanos.get(nanos.size() / 2) / 1e6,
            nanos.get(nanos.size() * 99 / 100) / 1e6,
            theirs.get(NULLS / 2),
            shares.get(NULLS / 2),
            sum(ours) / sum(theirs),
            worse));
  }

  private static double sum(List<Integer> tries) {
    return tries.stream().mapToInt(each -> each).sum();
  }

  /**
   * What came of asking.
   *
   * @param tries how many until one was there, the most for never
   * @param stopped how many until it said that it is over
   * @param leftWell whether it was left where it is there
   * @param nanos how long each advice took
   */
  private record Asked(int tries, int stopped, boolean leftWell, List<Long> nanos) {}

  private static boolean isThere(SimulatedNull bridge, double[] at) {
    return bridge.exact(at) <= bridge.least() + bridge.meterStep();
  }

  private static Asked asked(SimulatedNull bridge) {
    List<Knob> knobs = new ArrayList<>();
    for (int i = 0; i < bridge.screws(); i++) {
      knobs.add(new Knob("T" + (i + 1), 0, 1, FINEST));
    }
    TrimState state =
        new TrimState(knobs, "V", Goal.MIN, bridge.meterStep(), bridge.noise(), List.of());
    List<Long> nanos = new ArrayList<>();
    int there = MOST;
    for (int tries = 1; tries < MOST; tries++) {
      long before = System.nanoTime();
      TrimAdvice advice = Trimmer.advise(state);
      nanos.add(System.nanoTime() - before);
      double[] at = advice.next().stream().mapToDouble(each -> each).toArray();
      boolean isThere = isThere(bridge, at);
      there = isThere ? Math.min(there, tries) : there;
      if (advice.stop()) {
        return new Asked(there, tries, isThere, nanos);
      }
      state = state.with(new TrimState.Try(advice.next(), bridge.read(at, true)));
    }
    return new Asked(there, MOST, false, nanos);
  }

  /** One screw after the other, as people do it. */
  private static final class OneAtATime {
    private final SimulatedNull bridge;
    private final double[] at;
    private int tries;
    private boolean there;

    OneAtATime(SimulatedNull bridge) {
      this.bridge = bridge;
      this.at = new double[bridge.screws()];
      java.util.Arrays.fill(at, 0.5);
    }

    private double read(int screw, double to) {
      at[screw] = to;
      tries++;
      there |= isThere(bridge, at);
      return bridge.read(at, true);
    }

    int tries() {
      double span = 0.5;
      while (!there && tries < MOST) {
        for (int i = 0; i < at.length && !there && tries < MOST; i++) {
          least(i, Math.max(0, at[i] - span), Math.min(1, at[i] + span));
        }
        span = Math.max(0.05, span / 2);
      }
      return tries;
    }

    private void least(int screw, double from, double to) {
      double low = from;
      double high = to;
      double left = high - GOLDEN * (high - low);
      double right = low + GOLDEN * (high - low);
      double atLeft = read(screw, left);
      double atRight = there ? atLeft : read(screw, right);
      // The hand stops where the meter shows no difference any more.
      while (!there && high - low > 0.01 && atLeft != atRight && tries < MOST) {
        if (atLeft < atRight) {
          high = right;
          right = left;
          atRight = atLeft;
          left = high - GOLDEN * (high - low);
          atLeft = read(screw, left);
        } else {
          low = left;
          left = right;
          atLeft = atRight;
          right = low + GOLDEN * (high - low);
          atRight = read(screw, right);
        }
      }
      if (!there) {
        at[screw] = atLeft == atRight ? (low + high) / 2 : atLeft < atRight ? left : right;
      }
    }
  }
}
