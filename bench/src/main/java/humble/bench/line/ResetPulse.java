package humble.bench.line;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Resets a board by the control lines of its port, as its kit says they are wired: what each step
 * sets, and how long it stands.
 */
public enum ResetPulse {
  /** Nothing is wired: a hand presses reset. */
  NONE(List.of()),
  /** Reset hangs on DTR by a capacitor: asserted, it pulls reset low for a moment. */
  DTR(List.of(new Step(false, false, 50), new Step(true, true, 50))),
  /** Reset hangs on RTS. */
  RTS(List.of(new Step(false, true, 100), new Step(false, false, 50))),
  /** RTS is reset and DTR says whether the loader runs after it. */
  RTS_LOADER_DTR(
      List.of(new Step(false, true, 100), new Step(true, false, 50), new Step(false, false, 10)));

  /** One step of a sequence. */
  private record Step(boolean dtr, boolean rts, int standsMs) {}

  private final List<Step> steps;

  ResetPulse(List<Step> steps) {
    this.steps = steps;
  }

  /** Gives the name used in kits. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Gives the one of that name. */
  public static Optional<ResetPulse> named(String name) {
    for (ResetPulse each : values()) {
      if (each.text().equals(name)) {
        return Optional.of(each);
      }
    }
    return Optional.empty();
  }

  /**
   * Resets the board.
   *
   * @throws IOException when the line has no control lines
   */
  public void on(ByteLine line) throws IOException {
    for (Step step : steps) {
      line.control(step.dtr(), step.rts());
      try {
        Thread.sleep(step.standsMs());
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IOException("interrupted", e);
      }
    }
  }
}
