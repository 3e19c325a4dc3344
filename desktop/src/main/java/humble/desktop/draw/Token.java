package humble.desktop.draw;

import java.util.Locale;

/** The colours of a theme, named after materials. */
public enum Token {
  PAPER,
  MAT,
  CARD,
  FIELD,
  INK,
  INK_SOFT,
  LINE,
  COPPER,
  COPPER_PALE,
  TIN,
  MASK,
  MASK_PALE,
  BOARD,
  ON_BOARD,
  ON_MASK,
  FLUX,
  FLUX_PALE,
  ALARM,
  ALARM_PALE,
  /** What a display shows of red, and of red inverted; the same in every theme. */
  RED_LEAD,
  VERDIGRIS,
  /** What it shows of blue, and of blue inverted. */
  COBALT,
  OCHRE;

  /** Gives the name in the style sheet, such as {@code -hc-ink-soft}. */
  public String css() {
    return "-hc-" + name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
