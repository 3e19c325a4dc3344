package humble.core.stock;

import humble.core.units.Band;

/** Whether a reading agrees with a window, after the decision rule of ISO 14253-1. */
public enum Verdict {
  /** The whole interval of the reading lies in the window. */
  INSIDE,
  /** The interval lies across an end of the window. */
  EDGE,
  /** The interval and the window are apart. */
  OUTSIDE;

  /** Judges {@code interval} by {@code window}. */
  public static Verdict of(Band interval, Band window) {
    if (window.holds(interval)) {
      return INSIDE;
    }
    return window.apartFrom(interval) ? OUTSIDE : EDGE;
  }
}
